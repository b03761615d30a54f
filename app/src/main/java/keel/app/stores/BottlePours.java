package keel.app.stores;

import java.time.Clock;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import keel.app.base.Conflict;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.Parts;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.standing.Occupancy;
import keel.app.standing.Rebuild;
import keel.app.standing.VatContents;
import keel.core.Findings;
import keel.core.resin.VatContent;
import keel.core.resin.VatFill;
import keel.core.run.RunRules;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Pours from a bottle into a vat and back. What would mix two resins or run over is refused with the reason. */
@Service
@Transactional
public class BottlePours {

    private final Pours pours;
    private final Bottles bottles;
    private final Parts parts;
    private final Fleet fleet;
    private final ShopSettings settings;
    private final VatContents contents;
    private final Occupancy occupancy;
    private final Rebuild rebuild;
    private final Logbook logbook;
    private final Clock clock;

    BottlePours(
            Pours pours,
            Bottles bottles,
            Parts parts,
            Fleet fleet,
            ShopSettings settings,
            VatContents contents,
            Occupancy occupancy,
            Rebuild rebuild,
            Logbook logbook,
            Clock clock) {
        this.pours = pours;
        this.bottles = bottles;
        this.parts = parts;
        this.fleet = fleet;
        this.settings = settings;
        this.contents = contents;
        this.occupancy = occupancy;
        this.rebuild = rebuild;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** What was poured, and what is in vat and bottle then. */
    public record PouredView(
            long id,
            String vat,
            String bottle,
            String kind,
            String resin,
            double ml,
            Instant at,
            double vatMl,
            double bottleLeftMl) {}

    /**
     * @param ml null or 0 for {@link PourKind#SIEVE}, which changes nothing but is written down
     * @param when null for now
     * @throws Refused if vat, bottle, kind or amount cannot be
     * @throws Conflict if it would mix two resins or run over, or there is not so much
     */
    public PouredView pour(String vatCode, String bottleCode, Double ml, PourKind kind, Instant when) {
        return pour(vatCode, bottleCode, ml, kind, when, null);
    }

    /** The same with what else there is to say; null for nothing. */
    public PouredView pour(String vatCode, String bottleCode, Double ml, PourKind kind, Instant when, String noted) {
        Actor actor = Actor.current();
        Parts.PartRef vat = parts.vat(vatCode, "vat");
        Bottles.Bottle bottle = bottles.one(bottleCode, "bottle");
        Instant at = when == null ? clock.instant() : when;
        Findings findings = new Findings();
        findings.when(at.isAfter(clock.instant().plus(RunRules.CLOCK_TOLERANCE)), "at", "That lies in the future.");
        amount(ml, kind, findings);
        Refused.unless(findings);
        Long machine = parts.machineOfVat(vat.id());
        if (machine != null) {
            occupancy.lock(machine);
        }
        double amount = ml == null ? 0 : ml;
        VatContent content = contents.of(vat.id());
        require(kind, vat, bottle, amount, content);
        Bottles.Bottle after = kind == PourKind.SIEVE
                ? bottle
                : bottles.take(bottle.code(), kind == PourKind.RETURN ? -amount : amount);
        Pour pour = save(vat, bottle, amount, kind, at);
        if (machine != null) {
            rebuild.machine(machine, at);
        }
        String where =
                machine == null ? "vat " + vat.code() : fleet.machine(machine).name();
        logbook.write(LogDraft.of(
                        LogKind.POURED,
                        machine,
                        "POUR",
                        pour.id,
                        at,
                        words(kind, bottle, amount, where),
                        Map.of("vat", vat.code(), "bottle", bottle.code(), "ml", amount, "kind", kind),
                        actor)
                .noting(noted));
        return new PouredView(
                pour.id,
                vat.code(),
                bottle.code(),
                kind.name(),
                bottle.resin(),
                amount,
                at,
                contents.of(vat.id()).ml(),
                after.leftMl());
    }

    /** A pour was made while something was done to a vat, and goes with that when it is taken back. */
    public void belongs(long pour, long service) {
        pours.findById(pour).orElseThrow().serviceId = service;
    }

    /** A service was taken back: what it poured into a bottle is out of it again. */
    public void undo(long service) {
        for (Pour pour : pours.findByServiceIdAndWithdrawnFalse(service)) {
            pour.withdrawn = true;
            bottles.giveBack(pour);
        }
    }

    /** The number of the resin that is in a vat on record; null while it is empty or unknown. */
    @Transactional(readOnly = true)
    public Long resinIn(long vat) {
        return contents.of(vat).resin() == null ? null : pours.lastResin(vat).orElse(null);
    }

    /**
     * Whether a pour would go, without doing it.
     *
     * @throws Refused as {@link #pour} does, {@link Conflict} likewise
     */
    @Transactional(readOnly = true)
    public void check(String vatCode, String bottleCode, Double ml, PourKind kind) {
        Parts.PartRef vat = parts.vat(vatCode, "vat");
        Bottles.Bottle bottle = bottles.one(bottleCode, "bottle");
        Findings findings = new Findings();
        amount(ml, kind, findings);
        Refused.unless(findings);
        double amount = ml == null ? 0 : ml;
        require(kind, vat, bottle, amount, contents.of(vat.id()));
        if (kind != PourKind.SIEVE) {
            Bottles.requireHolds(bottle, kind == PourKind.RETURN ? -amount : amount);
        }
    }

    private static void amount(Double ml, PourKind kind, Findings findings) {
        if (kind != PourKind.SIEVE || ml != null) {
            findings.range(ml, kind == PourKind.SIEVE ? 0 : 1, 20_000, "ml", "The amount", "ml");
        }
    }

    private void require(PourKind kind, Parts.PartRef vat, Bottles.Bottle bottle, double ml, VatContent content) {
        boolean other = content.resin() != null && !content.resin().equals(bottle.resin());
        if (other && (kind == PourKind.POUR || kind == PourKind.TOP_UP)) {
            throw new Conflict(
                    "bottle",
                    "Vat " + vat.code() + " holds " + content.resin().replace('-', ' ') + ", bottle " + bottle.code()
                            + " " + bottle.resinName() + ": they would mix. Clean up with the vat emptied first.");
        }
        if (kind == PourKind.RETURN) {
            if (content.resin() == null || other) {
                throw new Conflict(
                        "bottle",
                        content.resin() == null
                                ? "Nothing is in vat " + vat.code() + " on record."
                                : "Vat " + vat.code() + " holds "
                                        + content.resin().replace('-', ' ') + "; it does not belong into bottle "
                                        + bottle.code() + " of " + bottle.resinName() + ".");
            }
            if (content.mixedAt() != null) {
                throw new Conflict(
                        "bottle", "Two resins are mixed in vat " + vat.code() + ": that goes into no bottle.");
            }
            if (ml > content.ml() + 0.5) {
                throw new Conflict(
                        "ml", "Only about " + Math.round(content.ml()) + " ml are in vat " + vat.code() + ".");
            }
        } else if (kind != PourKind.SIEVE) {
            most(vat).filter(most -> content.ml() + ml > most + 0.5).ifPresent(most -> {
                throw new Conflict(
                        "ml",
                        "About " + Math.round(content.ml()) + " ml are in vat " + vat.code() + "; with "
                                + Math.round(ml) + " more it stands over its most of " + Math.round(most) + " ml.");
            });
        }
    }

    /**
     * What a vat may hold: up to its fill line, or to six millimetres below the rim with the plate down; empty where
     * neither is known.
     */
    @Transactional(readOnly = true)
    public Optional<Double> most(Parts.PartRef vat) {
        double thick = settings.defaults().value("plate.thickMm");
        return vat.modelId() == null
                ? Optional.empty()
                : fleet.vesselOf(vat.modelId())
                        .flatMap(v -> v.fillLineMl() != null
                                ? Optional.of(v.fillLineMl())
                                : v.inside()
                                        .fill()
                                        .map(fill -> fill.mostMl(new VatFill.Displacer(v.plateMm2(), thick))));
    }

    /** What a bottle gives a vat where nobody said how much: up to the most, or all that is left. */
    @Transactional(readOnly = true)
    public double fills(Parts.PartRef vat, Bottles.Bottle bottle) {
        double room = most(vat)
                .map(most -> Math.floor(most - contents.of(vat.id()).ml()))
                .orElseThrow(() -> new Refused("ml", "How much? It is not known what vat " + vat.code() + " holds."));
        if (room < 1) {
            throw new Conflict("ml", "Vat " + vat.code() + " is full: nothing fits in.");
        }
        return Math.min(room, bottle.leftMl());
    }

    private Pour save(Parts.PartRef vat, Bottles.Bottle bottle, double ml, PourKind kind, Instant at) {
        Pour pour = new Pour();
        pour.vatId = vat.id();
        pour.resinId = bottle.resinId();
        pour.bottleId = bottle.id();
        pour.kind = kind;
        pour.ml = ml;
        pour.at = at;
        return pours.save(pour);
    }

    private static String words(PourKind kind, Bottles.Bottle bottle, double ml, String where) {
        String amount = Math.round(ml) + " ml of " + bottle.resinName();
        return switch (kind) {
            case POUR -> amount + " poured into " + where + " from " + bottle.code() + ".";
            case TOP_UP -> where + " topped up with " + amount + " from " + bottle.code() + ".";
            case RETURN -> amount + " returned from " + where + " into " + bottle.code() + ".";
            case SIEVE -> bottle.resinName() + " of " + where + " sieved.";
        };
    }
}
