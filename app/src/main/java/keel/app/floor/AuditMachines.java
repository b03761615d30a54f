package keel.app.floor;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import keel.app.failures.Failures;
import keel.app.floor.Audit.About;
import keel.app.floor.AuditFacts.Done;
import keel.app.floor.AuditFacts.Run;
import keel.app.standing.MachineNow;
import keel.app.standing.NotKnown;
import keel.app.standing.Standings;
import keel.core.standing.HoldCode;
import keel.core.standing.MachineState;
import org.springframework.stereotype.Component;

/** Meters, holds, states and vats of machines, against what follows from their runs and services one by one. */
@Component
class AuditMachines {

    private static final Set<String> TILTS =
            Set.of("FILM_CHANGE", "SCREEN_CHANGE", "VAT_FITTED", "TANK_CHANGE", "PLATE_WORK");
    private static final double CLOSE_ML = 1e-3;

    private final AuditFacts facts;
    private final Standings standings;
    private final Failures failures;

    AuditMachines(AuditFacts facts, Standings standings, Failures failures) {
        this.facts = facts;
        this.standings = standings;
        this.failures = failures;
    }

    void look(AuditSums sums, AuditSheet sheet) {
        Map<Long, MachineNow> shown =
                standings.all().stream().collect(Collectors.toMap(MachineNow::id, Function.identity()));
        Map<Long, List<Done>> done = facts.services().stream().collect(Collectors.groupingBy(Done::machineId));
        Map<Long, Long> failed =
                facts.failures().stream().collect(Collectors.toMap(AuditFacts.Count::id, AuditFacts.Count::n));
        Map<Long, Double> kept =
                facts.keptHours().stream().collect(Collectors.toMap(AuditFacts.Sum::id, AuditFacts.Sum::sum));
        for (AuditFacts.Machine m : facts.machines()) {
            MachineNow now = shown.get(m.id());
            if (now != null) {
                Of of = new Of(m, now, sums.runs(m.id()), done.getOrDefault(m.id(), List.of()), sheet);
                of.meters();
                of.since();
                of.stands(sums.endedAll(m.id()));
                sheet.number(
                        About.RUNS,
                        m.name() + ", failures",
                        failures.seenSince(m.id(), Instant.EPOCH).size(),
                        failed.getOrDefault(m.id(), 0L),
                        of.page());
                sheet.number(
                        About.MACHINES,
                        m.name() + ", hours of its months",
                        kept.getOrDefault(m.id(), 0.0),
                        of.hours(),
                        of.page());
            }
        }
        vats(sums, shown, sheet);
    }

    /** What is held of one machine. */
    private record Of(AuditFacts.Machine m, MachineNow now, List<Run> runs, List<Done> done, AuditSheet sheet) {

        String page() {
            return "/machines/" + m.code();
        }

        double hours() {
            return runs.stream().mapToDouble(Run::hours).sum();
        }

        void meters() {
            AuditSums.Through all =
                    runs.stream().reduce(AuditSums.Through.NOTHING, AuditSums.Through::plus, (a, b) -> a);
            MachineNow.Meters shown = now.meters();
            number("hours", shown.total().hours(), all.hours() + m.baselineHours());
            number("UV hours", shown.sinceRecords().uvHours(), all.uvHours());
            number("layers", shown.sinceRecords().layers(), all.layers());
            number("prints", shown.sinceRecords().prints(), all.prints());
            number("resin, ml", shown.sinceRecords().resinMl(), all.ml());
        }

        private void number(String what, double shown, double reckoned) {
            sheet.number(About.MACHINES, m.name() + ", " + what, shown, reckoned, page());
        }

        /** Since it was greased, abraded and levelled last; with what was known before where it never was. */
        void since() {
            Instant greased = last(d -> d.kind().equals("LUBRICATION"));
            Instant abraded = last(d -> d.kind().equals("PLATE_WORK") && !d.deburred());
            Instant levelled = last(d -> d.kind().equals("LEVELLING"));
            number(
                    "hours since it was greased",
                    now.sinceLubricated().hours(),
                    hoursSince(greased) + (greased == null ? m.before(m.lubricatedBefore()) : 0));
            number(
                    "hours since its plate was abraded",
                    now.sinceAbraded().hours(),
                    hoursSince(abraded) + (abraded == null ? m.before(m.abradedBefore()) : 0));
            known(NotKnown.About.LUBRICATED, greased != null || m.lubricatedBefore() != null);
            known(NotKnown.About.ABRADED, abraded != null || m.abradedBefore() != null);
            number(
                    "prints since it was levelled",
                    now.sinceLevelled().prints(),
                    runsSince(levelled).size());
            sheet.text(About.STANDING, m.name() + ", levelled", now.levelledAt(), levelled, page());
        }

        private void known(NotKnown.About about, boolean reckoned) {
            sheet.text(About.STANDING, m.name() + ", known " + about.words(), now.knows(about), reckoned, page());
        }

        /** Holds that follow from what was done last; off, held or running. */
        void stands(Instant lastEnd) {
            Instant cleared = last(d -> d.kind().equals("PLATE_CLEARED"));
            hold(HoldCode.PLATE_NOT_CLEAR, lastEnd != null && (cleared == null || cleared.isBefore(lastEnd)));
            Instant moved = last(d -> d.kind().equals("MOVED"));
            Instant checked = last(d -> d.kind().equals("STANCE_CHECKED"));
            hold(HoldCode.STANCE_UNCHECKED, moved != null && (checked == null || checked.isBefore(moved)));
            if (!m.selfLevelling() && !m.levelsAfterEach()) {
                Instant tilted = last(d -> TILTS.contains(d.kind()));
                Instant level = last(d -> d.kind().equals("LEVELLING"));
                hold(HoldCode.NOT_LEVELLED, tilted != null && (level == null || level.isBefore(tilted)));
            }
            Instant off = last(d -> d.kind().equals("OFF"));
            Instant on = last(d -> d.kind().equals("ON"));
            boolean isOff = off != null && (on == null || on.isBefore(off));
            MachineState state = now.standing().state();
            sheet.text(About.STANDING, m.name() + ", out of service", state == MachineState.OFF, isOff, page());
            boolean held = !isOff && now.run() == null && !now.holds().isEmpty();
            sheet.text(About.STANDING, m.name() + ", must not print", state == MachineState.HOLD, held, page());
        }

        private void hold(HoldCode code, boolean reckoned) {
            boolean shown = now.holds().stream().anyMatch(h -> h.code() == code);
            sheet.text(About.STANDING, m.name() + ", held: " + code.code(), shown, reckoned, page());
        }

        private Instant last(Predicate<Done> which) {
            return done.stream()
                    .filter(which)
                    .map(Done::at)
                    .max(Comparator.naturalOrder())
                    .orElse(null);
        }

        private List<Run> runsSince(Instant since) {
            return runs.stream()
                    .filter(r -> since == null || !r.startedAt().isBefore(since))
                    .toList();
        }

        private double hoursSince(Instant since) {
            return runsSince(since).stream().mapToDouble(Run::hours).sum();
        }
    }

    /** Resin in each vat on a machine: poured, ran back, printed, looked at, lost and emptied, in their order. */
    private void vats(AuditSums sums, Map<Long, MachineNow> shown, AuditSheet sheet) {
        Map<Long, List<AuditFacts.InVat>> events = new TreeMap<>();
        facts.vatEvents().forEach(e -> events.computeIfAbsent(e.vatId(), v -> new ArrayList<>())
                .add(e));
        for (MachineNow now : shown.values()) {
            if (now.vat() != null) {
                List<AuditFacts.InVat> of =
                        new ArrayList<>(events.getOrDefault(now.vat().id(), List.of()));
                sums.runsThrough(now.vat().id())
                        .forEach(r -> of.add(new AuditFacts.InVat(
                                now.vat().id(), r.endedAt(), "PRINTED", r.usedMl(), null, r.startedAt())));
                Content content = Content.after(of);
                String page = "/machines/" + now.code();
                sheet.text(About.STANDING, now.name() + ", resin in the vat", now.resin(), content.resin, page);
                sheet.unless(
                        Math.abs(now.resinMl() - content.ml) > CLOSE_ML,
                        new Audit.Found(
                                About.STANDING,
                                now.name() + ", ml in the vat",
                                String.valueOf(now.resinMl()),
                                String.valueOf(content.ml),
                                page));
            }
        }
    }

    /** What is in a vat. */
    private static final class Content {

        private String resin;
        private double ml;
        private Instant emptied = Instant.EPOCH;

        static Content after(List<AuditFacts.InVat> events) {
            Content c = new Content();
            events.stream()
                    .filter(e -> e.what().equals("EMPTIED"))
                    .map(AuditFacts.InVat::at)
                    .max(Comparator.naturalOrder())
                    .ifPresent(at -> c.emptied = at);
            boolean poured =
                    events.stream().anyMatch(e -> c.counts(e) && e.what().equals("POURED"));
            if (poured) {
                events.stream()
                        .filter(c::counts)
                        .sorted(Comparator.comparing(AuditFacts.InVat::at)
                                .thenComparing(e -> e.what().equals("LOOKED")))
                        .forEach(c::then);
            }
            return c;
        }

        /** A run counts by when it began: what was printed before the vat was emptied is gone with that. */
        private boolean counts(AuditFacts.InVat e) {
            Instant at = e.began() == null ? e.at() : e.began();
            return !at.isBefore(emptied) && !e.what().equals("EMPTIED");
        }

        private void then(AuditFacts.InVat e) {
            switch (e.what()) {
                case "POURED" -> {
                    resin = e.resin();
                    ml += e.ml();
                }
                case "LOOKED" -> ml = e.ml();
                default -> ml = Math.max(0, ml - e.ml());
            }
        }
    }
}
