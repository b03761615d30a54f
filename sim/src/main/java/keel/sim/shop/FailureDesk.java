package keel.sim.shop;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import keel.core.run.Outcome;
import keel.sim.chance.Chance;
import keel.sim.print.Job;
import keel.sim.print.PrintEnd;
import keel.sim.seen.Checks;
import keel.sim.seen.Eyes;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;

/** What follows a failure: it is written down, cleaned up, its cause looked for, something done about it. */
final class FailureDesk {

    private static final int ENOUGH_IN_A_ROW = 3;

    private final Machine machine;
    private final Parameters parameters;
    private final Hands hands;
    private final Remedies remedies;
    private final Records records;
    private final Eyes eyes;
    private final Checks checks;
    private int inARow;
    private final List<Open> open = new ArrayList<>();

    private record Open(String failureKey, String cause, int layer) {}

    /** What is to be printed instead, and when the machine is free again. */
    record After(Instant free, Job again) {}

    FailureDesk(Machine machine, Parameters parameters, Hands hands, Remedies remedies, Records records) {
        this.machine = machine;
        this.parameters = parameters;
        this.hands = hands;
        this.records = records;
        this.remedies = remedies;
        this.eyes = new Eyes(parameters.eyes());
        this.checks = new Checks(parameters);
    }

    After failed(Checks.Scene scene, String runKey, int reachedLayer, Instant seen, Chance chance) {
        PrintEnd end = scene.end();
        String failure = records.key();
        Eyes.Seen noted = eyes.look(end, machine.cells(), chance.between(0.85, 1.1), chance.stream("eyes"));
        records.add(new Happening.FailureSeen(
                seen,
                "operator",
                machine.site().code(),
                failure,
                runKey,
                noted.symptoms(),
                noted.absent(),
                noted.zones(),
                Notes.of(scene, noted, chance.stream("note"))));
        if (!scene.job().toldOf().isEmpty()) {
            records.add(new Happening.FactsTold(
                    seen.plusSeconds(60), "operator", failure, scene.job().toldOf()));
        }
        records.add(new Truth(
                seen,
                machine.site().code(),
                runKey,
                failure,
                end.causes(),
                end.faults(),
                machine.harms(),
                checks.all(scene, chance.stream("checks")),
                scene.around().resinC()));
        inARow++;
        Set<String> named = look(scene, noted, failure, seen.plus(Duration.ofMinutes(6)), chance);
        Instant cleaned = end.finishing()
                ? seen.plus(Duration.ofMinutes(10))
                : clean(seen.plus(Duration.ofMinutes(26)), named, chance);
        return mend(scene, noted, named, failure, reachedLayer, cleaned, chance);
    }

    /** Checks, one after the other, until one finds something; after the third failure in a row all of them. */
    private Set<String> look(Checks.Scene scene, Eyes.Seen noted, String failure, Instant from, Chance chance) {
        boolean thorough = inARow >= ENOUGH_IN_A_ROW;
        List<String> order = thorough
                ? Folk.everything()
                : Folk.checks(
                        noted.symptoms(),
                        chance.happens(parameters.people().rightCheck()),
                        1 + chance.below(4),
                        chance);
        Set<String> found = new LinkedHashSet<>();
        Instant at = from;
        for (String check : order) {
            if (check.equals("vat-bolts") && machine.vat().nobodyTriesBolts()) {
                continue;
            }
            List<String> result = checks.result(check, scene, chance.stream("bench " + check)).stream()
                    .filter(c -> !c.equals("MACHINE") && !c.equals("JOB"))
                    .toList();
            records.add(new Happening.CheckDone(at, "keeper", failure, check, result));
            found.addAll(result);
            at = at.plus(Duration.ofMinutes(thorough ? 0 : 3)).plusSeconds(30);
            if (!found.isEmpty() && !thorough) {
                break;
            }
        }
        return found;
    }

    private Instant clean(Instant at, Set<String> found, Chance chance) {
        hands.cleanUp(at, "operator", false);
        hands.inspectVat(at.plus(Duration.ofMinutes(4)), !found.contains("film-pierced"), List.of("film-pierced"));
        if (found.contains("print-left-on") && machine.screen() != null) {
            boolean whole =
                    machine.screen().spots().isEmpty() && !machine.screen().patchAnywhere() || chance.happens(0.3);
            hands.inspectScreen(at.plus(Duration.ofMinutes(6)), whole);
        } else if (machine.screen() != null) {
            hands.inspectScreen(at.plus(Duration.ofMinutes(6)), true);
        }
        hands.clearPlate(at.plus(Duration.ofMinutes(8)), "operator", false);
        return at.plus(Duration.ofMinutes(14));
    }

    private After mend(
            Checks.Scene scene,
            Eyes.Seen noted,
            Set<String> found,
            String failure,
            int reachedLayer,
            Instant at,
            Chance chance) {
        List<String> named = new ArrayList<>(found);
        if (named.isEmpty() && !chance.happens(parameters.people().namesNothing())) {
            named.add(Folk.blamed(noted.symptoms(), chance));
        }
        Instant free = at;
        Job again = scene.job();
        boolean corrected = false;
        for (String cause : named) {
            boolean guessedSetting = found.isEmpty()
                    && inARow < 2
                    && !chance.happens(parameters.people().changesSettings());
            free = guessedSetting ? free : remedies.apply(cause, free);
            Job mended = Remedies.corrected(again, cause);
            corrected |= !mended.equals(again);
            again = mended;
        }
        if (scene.around().fileReadBadly()) {
            again = again.corrected();
        }
        if (!named.isEmpty()) {
            records.add(new Happening.CauseNamed(free, "keeper", failure, named.get(0), "PRESUMED", null));
            if (corrected) {
                records.add(new Happening.CauseMended(free, "keeper", failure));
            }
            open.add(new Open(failure, named.get(0), reachedLayer));
        }
        return new After(free.plus(Duration.ofMinutes(10)), scene.end().outcome() == Outcome.USABLE ? null : again);
    }

    /** A good print: what was presumed of shorter ones held. */
    void good(int layers, Instant at, Chance chance) {
        inARow = 0;
        for (Open o : List.copyOf(open)) {
            if (layers >= o.layer()) {
                open.remove(o);
                if (chance.happens(0.5)) {
                    records.add(new Happening.CauseNamed(
                            at, "keeper", o.failureKey(), o.cause(), "FOUND", "Held on the next good print."));
                }
            }
        }
    }
}
