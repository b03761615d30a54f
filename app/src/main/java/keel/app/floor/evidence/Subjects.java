package keel.app.floor.evidence;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import keel.app.base.Figures;
import keel.app.base.NotThere;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Identities;
import keel.app.floor.evidence.Evidence.Fact;
import keel.app.floor.evidence.EvidenceRecords.OnMachine;
import keel.app.floor.evidence.Subject.Others;
import keel.app.floor.evidence.Subject.Spell;
import keel.app.floor.evidence.Subject.Tells;
import keel.app.floor.paper.PaperDates;
import keel.app.people.LogKind;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.pattern.Trait;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Component;

/** What evidence is of: its figures from where the pages have them, its prints, and what they are held against. */
@Component
class Subjects {

    private static final Tells OF_MACHINE = new Tells(
            EnumSet.of(
                    LogKind.SERVICE,
                    LogKind.UV_MAPPED,
                    LogKind.FIRST_LAYER_TEST,
                    LogKind.CALIBRATED,
                    LogKind.CHECK_DONE,
                    LogKind.FILM_LOOKED_AT,
                    LogKind.FILM_TAPPED,
                    LogKind.QUIRK_NOTED,
                    LogKind.PART_ENDED),
            Set.of());
    private static final Tells OF_SCREEN = new Tells(
            EnumSet.of(LogKind.SERVICE, LogKind.UV_MAPPED, LogKind.CHECK_DONE, LogKind.PART_ENDED),
            EnumSet.of(
                    ServiceKind.SCREEN_INSPECTED,
                    ServiceKind.SCREEN_CHANGE,
                    ServiceKind.LIGHT_CHANGE,
                    ServiceKind.DRY_RUN,
                    ServiceKind.WINDOW_INSPECTED,
                    ServiceKind.PLATE_DROPPED));
    private static final Tells OF_FILM = new Tells(
            EnumSet.of(
                    LogKind.SERVICE,
                    LogKind.FILM_LOOKED_AT,
                    LogKind.FILM_TAPPED,
                    LogKind.FILM_EXPERIMENT,
                    LogKind.FILM_PACK,
                    LogKind.PART_ENDED,
                    LogKind.CHECK_DONE),
            EnumSet.of(
                    ServiceKind.FILM_CHANGE,
                    ServiceKind.TANK_CHANGE,
                    ServiceKind.VAT_INSPECTED,
                    ServiceKind.FILM_CLEANED,
                    ServiceKind.HOLE_CURED,
                    ServiceKind.PLATE_DROPPED,
                    ServiceKind.KEPT_IN_USE));
    private static final Tells OF_RESIN = new Tells(
            EnumSet.of(LogKind.POURED, LogKind.BOTTLE, LogKind.RESIN_MEASURED, LogKind.CALIBRATED, LogKind.CHECK_DONE),
            Set.of());

    private final EvidenceRecords records;
    private final Identities identities;
    private final Standings standings;
    private final PaperDates dates;
    private final Clock clock;
    private final Figures figures;

    Subjects(
            EvidenceRecords records,
            Identities identities,
            Standings standings,
            PaperDates dates,
            Figures figures,
            Clock clock) {
        this.records = records;
        this.identities = identities;
        this.standings = standings;
        this.dates = dates;
        this.clock = clock;
        this.figures = figures;
    }

    /** @throws NotThere if there is no such thing */
    Subject of(EvidenceKind kind, String code) {
        return switch (kind) {
            case MACHINE -> machine(code);
            case PART -> part(code.toUpperCase(Locale.ROOT));
            case PACK -> pack(code);
            case BOTTLE -> bottle(code);
        };
    }

    private Subject machine(String code) {
        EvidenceRecords.MachineLine m =
                records.machine(code).orElseThrow(() -> new NotThere("There is no machine called " + code + "."));
        Identities.Identity known = identities.of(code);
        Lines facts = new Lines();
        facts.add("Model", m.model());
        facts.add("Serial number", known.serial());
        facts.add("Firmware", known.firmware());
        facts.add("Controller", m.controller());
        facts.add("Bought", known.boughtOn());
        facts.add("Warranty until", known.warrantyUntil());
        facts.add("In the shop since", m.since());
        standings.all().stream()
                .filter(now -> now.code().equals(code))
                .findFirst()
                .ifPresent(now -> standing(now, facts));
        boolean sisters = records.ofModel(m.model()) > 1;
        return new Subject(
                EvidenceKind.MACHINE,
                code,
                m.name(),
                facts.list(),
                List.of(new Spell(m.id(), code, Instant.EPOCH, Instant.MAX)),
                sisters
                        ? new Others(Trait.MODEL, m.model(), "the other machines of its model")
                        : new Others(Trait.MACHINE, null, "all other machines"),
                Trait.RESIN,
                null,
                true,
                OF_MACHINE,
                known.warrantyUntil(),
                "/machines/" + code);
    }

    private void standing(MachineNow now, Lines facts) {
        facts.add("Print hours", figures.hours(now.meters().total().hours()) + " h");
        if (now.film() != null) {
            facts.add("Film on it", now.film().code());
        }
        if (now.screen() != null) {
            facts.add("Screen in it", now.screen().code());
        }
        if (now.light() != null) {
            facts.add("Light engine in it", now.light().code());
        }
    }

    private Subject part(String code) {
        EvidenceRecords.PartLine p =
                records.part(code).orElseThrow(() -> new NotThere("There is no part called " + code + "."));
        Lines facts = facts(p);
        List<OnMachine> on = records.spells(List.of(p.id()));
        machines(on, facts);
        boolean film = p.kind() == ComponentKind.FILM;
        boolean optical = p.kind() == ComponentKind.SCREEN || p.kind() == ComponentKind.LIGHT;
        return new Subject(
                EvidenceKind.PART,
                code,
                p.kind().words() + " " + code,
                facts.list(),
                spells(on),
                new Others(Trait.MACHINE, null, "prints with other parts in its place, and other machines"),
                Trait.MACHINE,
                p.kind() == ComponentKind.SCREEN ? p.id() : null,
                optical,
                film ? OF_FILM : optical ? OF_SCREEN : OF_MACHINE,
                p.warrantyUntil(),
                film ? "/bench/films" : optical ? "/bench/screens/" + code : "/bench");
    }

    private Lines facts(EvidenceRecords.PartLine p) {
        Lines facts = new Lines();
        facts.add("Model", p.model());
        facts.add("Serial number", p.serial());
        facts.add("Batch", p.batch());
        facts.add("From pack", p.pack());
        facts.add(
                "Material",
                p.material() == null || p.thicknessMm() == null
                        ? p.material()
                        : p.material() + ", " + figures.plain(p.thicknessMm()) + " mm");
        facts.add("Bought", p.boughtOn());
        facts.add("Warranty until", p.warrantyUntil());
        facts.add("On record since", p.since());
        facts.add("Ended", p.endedAt());
        facts.add("It ended as", p.endReason() == null ? null : figures.words(p.endReason()));
        facts.add("Print hours", figures.hours(p.hours()) + " h");
        facts.add("Light on", figures.hours(p.uvHours()) + " h");
        facts.add("Prints", figures.count(p.prints()));
        if (p.hoursBefore() > 0) {
            facts.add("of these before it was on record", figures.hours(p.hoursBefore()) + " h");
        }
        return facts;
    }

    private Subject pack(String code) {
        EvidenceRecords.PackLine p =
                records.pack(code).orElseThrow(() -> new NotThere("There is no pack called " + code + "."));
        Lines facts = new Lines();
        facts.add("From", p.supplier());
        facts.add("Lot", p.lot());
        facts.add("Material", p.material() + ", " + figures.plain(p.thicknessMm()) + " mm");
        facts.add("Sheets", p.sheets() + (p.spoiled() == 0 ? "" : ", of these spoiled: " + p.spoiled()));
        facts.add("Came", p.at());
        List<Long> films = records.filmsOf(p.id());
        List<OnMachine> on = films.isEmpty() ? List.of() : records.spells(films);
        facts.add("Sheets of it that were put on", figures.count(films.size()));
        machines(on, facts);
        return new Subject(
                EvidenceKind.PACK,
                code,
                "Pack " + code,
                facts.list(),
                spells(on),
                new Others(Trait.FILM, null, "prints over other film"),
                Trait.MACHINE,
                null,
                false,
                OF_FILM,
                null,
                "/bench/packs");
    }

    private Subject bottle(String code) {
        EvidenceRecords.BottleLine b =
                records.bottle(code).orElseThrow(() -> new NotThere("There is no bottle called " + code + "."));
        Lines facts = new Lines();
        facts.add("Resin", b.resinName());
        facts.add("Lot", b.lot());
        facts.add("Holds", figures.plain(b.fullMl()) + " ml");
        facts.add("Came", b.at());
        facts.add("Opened", b.openedAt());
        facts.add("Best before", b.expiresOn());
        List<EvidenceRecords.Poured> poured = records.poured(b.id());
        List<Spell> spells = new ArrayList<>();
        for (int i = 0; i < poured.size(); i++) {
            EvidenceRecords.Poured p = poured.get(i);
            if (p.bottle() == b.id()) {
                boolean last = i + 1 == poured.size() || poured.get(i + 1).machine() != p.machine();
                Instant until = last ? Instant.MAX : poured.get(i + 1).at();
                spells.add(new Spell(p.machine(), p.code(), p.at(), until));
            }
        }
        return new Subject(
                EvidenceKind.BOTTLE,
                code,
                "Bottle " + code,
                facts.list(),
                spells,
                new Others(Trait.RESIN, b.resin(), "prints of the same resin from other bottles"),
                Trait.MACHINE,
                null,
                false,
                OF_RESIN,
                null,
                "/stores/bottles/" + code);
    }

    private void machines(List<OnMachine> on, Lines facts) {
        on.forEach(s -> facts.add(
                "On " + s.name(),
                "since " + dates.day(s.since())
                        + (s.until().isBefore(clock.instant()) ? ", until " + dates.day(s.until()) : "")));
    }

    private static List<Spell> spells(List<OnMachine> on) {
        return on.stream()
                .map(s -> new Spell(s.machine(), s.code(), s.since(), s.until()))
                .toList();
    }

    /** Facts as they are known; what nobody wrote down says so. */
    private final class Lines {

        private final List<Fact> facts = new ArrayList<>();

        void add(String label, String value) {
            if (value != null && !value.isBlank()) {
                facts.add(new Fact(label, value));
            }
        }

        void add(String label, Instant at) {
            add(label, dates.day(at));
        }

        void add(String label, LocalDate day) {
            add(label, dates.day(day));
        }

        List<Fact> list() {
            return List.copyOf(facts);
        }
    }
}
