package keel.app.bench;

import java.time.Instant;
import java.util.Locale;
import keel.app.base.Conflict;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.Parts;
import keel.app.stores.BottlePours;
import keel.app.stores.FilmPacks;
import keel.app.stores.PourKind;
import keel.core.standing.ServiceKind;
import keel.core.standing.ServicePayload;
import keel.core.standing.ServiceValues;
import keel.core.standing.ServiceWords;
import org.springframework.stereotype.Component;

/** Does what a service does to the parts that are fitted, and says it in words. */
@Component
class ServiceEffects {

    private final Fleet fleet;
    private final Parts parts;
    private final BottlePours pours;
    private final FilmPacks packs;

    ServiceEffects(Fleet fleet, Parts parts, BottlePours pours, FilmPacks packs) {
        this.packs = packs;
        this.fleet = fleet;
        this.parts = parts;
        this.pours = pours;
    }

    /**
     * @param machine null where it was done to a vat on the shelf
     * @return a sentence without its first capital
     */
    String of(ServiceValues values, MachineRef machine, ServiceRecord service) {
        return ServicePayload.of(values).by(new Effect(machine, service));
    }

    /**
     * Which resin is in the vat before something is done to it, and what was poured back out of it; each null for none.
     */
    record Resin(Long id, Long pour) {

        static final Resin NONE = new Resin(null, null);
    }

    /** What ran back into a bottle is booked there, before the vat counts as emptied. */
    Resin resin(ServiceValues v, MachineRef machine, Instant at) {
        Parts.PartRef vat = v.kind() != ServiceKind.CLEAN_UP || machine == null ? null : parts.vatOn(machine.id());
        if (vat == null) {
            return Resin.NONE;
        }
        Double back = v.number("returnedMl");
        return new Resin(
                pours.resinIn(vat.id()),
                back != null && back > 0 && v.has("bottle")
                        ? pours.pour(vat.code(), v.text("bottle"), back, PourKind.RETURN, at)
                                .id()
                        : null);
    }

    /** The resin that was lost, and the pour that belongs to it. */
    void belongs(Resin resin, ServiceRecord service) {
        service.lostResinId = service.lostMl == null ? null : resin.id();
        if (resin.pour() != null) {
            pours.belongs(resin.pour(), service.id);
        }
    }

    /** A service was taken back. */
    void undo(long service) {
        pours.undo(service);
    }

    private final class Effect implements ServicePayload.Each<String> {

        private final MachineRef machine;
        private final ServiceRecord service;
        private final Instant at;

        Effect(MachineRef machine, ServiceRecord service) {
            this.machine = machine;
            this.service = service;
            this.at = service.at;
        }

        @Override
        public String filmChange(ServicePayload.FilmChange c) {
            Parts.PartRef vat = vatOf(c);
            service.vatId = vat.id();
            if (c.pack() != null && !c.pack().isBlank()) {
                packs.requireLeft(c.pack());
            }
            Parts.Sheet sheet = new Parts.Sheet(c.material(), c.thicknessMm(), c.pack());
            Parts.Change change = parts.changeFilm(vat.id(), at, service.id, sheet, c.endReason());
            return "film changed in vat " + vat.code() + from(change, c.endReason(), ServiceKind.FILM_CHANGE) + ", "
                    + c.material() + " " + c.thicknessMm() + " mm.";
        }

        private Parts.PartRef vatOf(ServicePayload.FilmChange c) {
            Parts.PartRef vat =
                    c.vat() == null || c.vat().isBlank() ? parts.vatOn(machine.id()) : parts.vat(c.vat(), "vat");
            if (vat == null) {
                throw new Conflict(
                        "machine",
                        "No vat is on " + machine.name()
                                + ". Fit one first, or say in which vat the film was changed.");
            }
            Long on = parts.machineOfVat(vat.id());
            if (on != null && machine != null && on != machine.id()) {
                throw new Conflict(
                        "vat",
                        "Vat " + vat.code() + " is on " + fleet.machine(on).name()
                                + ". Enter the change for that machine.");
            }
            return vat;
        }

        @Override
        public String tankChange(ServicePayload.TankChange c) {
            Parts.Change change = parts.changeTank(machine, at, service.id, c.endReason());
            return "tank changed" + from(change, c.endReason(), ServiceKind.TANK_CHANGE) + ".";
        }

        @Override
        public String partChange(ServicePayload.PartChange c) {
            ComponentKind part = c.kind() == ServiceKind.SCREEN_CHANGE ? ComponentKind.SCREEN : ComponentKind.LIGHT;
            Parts.Fresh fresh = new Parts.Fresh(c.spare(), c.serial());
            Parts.Change change = parts.change(part, machine, at, service.id, c.endReason(), fresh);
            return c.kind().done().toLowerCase(Locale.ROOT) + from(change, c.endReason(), c.kind()) + ".";
        }

        @Override
        public String vatFitted(ServicePayload.VatFitted c) {
            Parts.PartRef vat = parts.vat(c.vat(), "vat");
            String out = parts.fitVat(machine, vat, at, service.id);
            service.vatId = vat.id();
            return "vat " + vat.code() + " fitted" + (out == null ? "." : ", " + out + " lifted out.");
        }

        @Override
        public String vatRemoved(ServicePayload.VatRemoved c) {
            Parts.PartRef vat = parts.vat(c.vat(), "vat");
            parts.removeVat(machine, vat, at, service.id);
            return "vat " + vat.code() + " lifted out.";
        }

        @Override
        public String plateReplaced(ServicePayload.PlateReplaced c) {
            parts.replacePlate(machine, at, service.id);
            return ServiceWords.of(c.values(), null);
        }

        @Override
        public String moved(ServicePayload.Moved c) {
            String room = fleet.roomOfEntry(c.room());
            fleet.moveTo(machine.id(), room);
            return "moved to " + room + ".";
        }

        @Override
        public String noted(ServicePayload.Noted c) {
            String vat = machine != null || service.vatId == null
                    ? null
                    : parts.part(service.vatId).code();
            return ServiceWords.of(c.values(), vat);
        }
    }

    private static String from(Parts.Change change, String endReason, ServiceKind kind) {
        String why =
                kind.field("endReason").map(f -> f.words(endReason)).orElse("").toLowerCase(Locale.ROOT);
        return change.old() == null
                ? ": " + change.fresh() + " fitted"
                : ": " + change.old() + " (" + why + ") out, " + change.fresh() + " in";
    }
}
