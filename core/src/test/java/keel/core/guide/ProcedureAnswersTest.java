package keel.core.guide;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import keel.core.guide.Step.Meaning;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineTraits;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Walks each answer of each question, and each pair that branches, of every procedure on every kind of machine:
 * each leads where it says it does, and what is written was done.
 */
class ProcedureAnswersTest {

    private static final Set<ServiceKind> LOOKS =
            Set.of(ServiceKind.VAT_INSPECTED, ServiceKind.SCREEN_INSPECTED, ServiceKind.WINDOW_INSPECTED);

    /** A procedure on a kind of machine that it is for. */
    record On(Procedure procedure, MachineTraits machine) {

        @Override
        public String toString() {
            return procedure.code() + " on " + machine.kind() + " " + machine.joint()
                    + (machine.wholeAreaLight() ? "" : ", not lit whole");
        }
    }

    /** One answer to one question. */
    record Answer(String question, String answer, Meaning means) {}

    static List<On> all() {
        List<On> all = new ArrayList<>();
        for (Procedure p : Procedures.shipped().all()) {
            for (MachineKind kind : MachineKind.values()) {
                for (LevelJoint joint : LevelJoint.values()) {
                    for (boolean lit :
                            kind == MachineKind.LASER_TANK ? new boolean[] {false} : new boolean[] {true, false}) {
                        MachineTraits traits = new MachineTraits(kind, false, lit, false, joint);
                        if (p.when().holds(traits, Map.of())) {
                            all.add(new On(p, traits));
                        }
                    }
                }
            }
        }
        return all;
    }

    private static List<Answer> answers(Procedure p) {
        List<Answer> answers = new ArrayList<>();
        for (Step step : p.steps()) {
            step.means()
                    .forEach((question, of) -> of.forEach((a, means) -> answers.add(new Answer(question, a, means))));
        }
        return answers.stream().distinct().toList();
    }

    /** The way of somebody who gives these answers, and of the rest the first that does not stop. */
    private static Map<String, String> given(On on, Collection<Answer> chosen) {
        Map<String, String> given = new LinkedHashMap<>();
        for (Step step : on.procedure().steps()) {
            for (ServiceField ask : step.asks()) {
                step.means().getOrDefault(ask.name(), Map.of()).entrySet().stream()
                        .filter(e -> e.getValue() != Meaning.STOP)
                        .findFirst()
                        .ifPresent(e -> given.putIfAbsent(ask.name(), e.getKey()));
            }
        }
        chosen.forEach(c -> given.put(c.question(), c.answer()));
        return given;
    }

    private static Set<String> written(On on, Map<String, String> given) {
        Map<String, String> asked = on.procedure().asked(on.machine(), given);
        Set<String> written = new HashSet<>();
        on.procedure().writes().stream()
                .filter(w -> w.when().holds(on.machine(), asked))
                .forEach(w -> {
                    Map<String, String> values = new LinkedHashMap<>(w.fixed());
                    w.kind().fields().forEach(f -> {
                        if (asked.containsKey(f.name())) {
                            values.putIfAbsent(f.name(), asked.get(f.name()));
                        }
                    });
                    written.add(w.kind() + " " + values);
                });
        return written;
    }

    private static List<String> codes(On on, Map<String, String> given) {
        return on.procedure().path(on.machine(), given).stream().map(Step::code).toList();
    }

    private static boolean asksOn(On on, Map<String, String> given, String question) {
        return on.procedure().path(on.machine(), given).stream()
                .anyMatch(s -> s.asks().stream().anyMatch(a -> a.name().equals(question)));
    }

    @ParameterizedTest
    @MethodSource("all")
    void eachAnswerLeadsWhereItSays(On on) {
        for (Answer a : answers(on.procedure())) {
            Map<String, String> given = reaching(on, a);
            if (given == null) {
                continue;
            }
            String what = on + ": " + a;
            boolean stops = on.procedure().path(on.machine(), given).stream().anyMatch(Step::stops);
            List<Map<String, String>> others = answers(on.procedure()).stream()
                    .filter(o ->
                            o.question().equals(a.question()) && !o.answer().equals(a.answer()))
                    .map(o -> {
                        Map<String, String> other = new LinkedHashMap<>(given);
                        other.put(o.question(), o.answer());
                        return other;
                    })
                    .toList();
            boolean anotherWay = others.stream().anyMatch(o -> !codes(on, o).equals(codes(on, given)));
            boolean otherwise = others.stream().anyMatch(o -> !written(on, o).equals(written(on, given)));
            switch (a.means()) {
                case STOP -> assertThat(stops).as(what).isTrue();
                case BRANCH ->
                    assertThat(anotherWay || !applies(on, a)).as(what).isTrue();
                case WRITE -> assertThat(otherwise || anotherWay).as(what).isTrue();
                case GO -> assertThat(stops).as(what).isFalse();
            }
        }
    }

    /** Whether this machine has a step of its own for it: some branches are of one kind only. */
    private static boolean applies(On on, Answer a) {
        return on.procedure().steps().stream()
                .anyMatch(s ->
                        s.when().answers().getOrDefault(a.question(), List.of()).contains(a.answer())
                                && s.when().holds(on.machine(), Map.of()));
    }

    /** Answers that lead to the question of this one; null where this machine is never asked it. */
    private static Map<String, String> reaching(On on, Answer a) {
        Map<String, String> plain = given(on, List.of(a));
        if (asksOn(on, plain, a.question())) {
            return plain;
        }
        return answers(on.procedure()).stream()
                .filter(b -> !b.question().equals(a.question()) && b.means() != Meaning.STOP)
                .map(b -> given(on, List.of(b, a)))
                .filter(g -> asksOn(on, g, a.question()))
                .findFirst()
                .orElse(null);
    }

    /** Each pair that branches: the way ends, stops only where one can go back, and writes what was done. */
    @ParameterizedTest
    @MethodSource("all")
    void eachPairOfBranchesEndsAndWritesWhatWasDone(On on) {
        List<Answer> branching = answers(on.procedure()).stream()
                .filter(a -> a.means() == Meaning.BRANCH || a.means() == Meaning.STOP || a.means() == Meaning.WRITE)
                .toList();
        Stream.concat(branching.stream().map(List::of), branching.stream().flatMap(a -> branching.stream()
                        .filter(b -> !b.question().equals(a.question()))
                        .map(b -> List.of(a, b))))
                .forEach(pair -> walk(on, pair));
    }

    private static void walk(On on, List<Answer> chosen) {
        Map<String, String> given = given(on, chosen);
        List<Step> path = on.procedure().path(on.machine(), given);
        String what = on + ": " + chosen;
        assertThat(path).as(what).isNotEmpty();
        path.stream().filter(Step::stops).forEach(s -> assertThat(s.detour() == null
                        || path.stream()
                                .anyMatch(p -> p.code().equals(s.detour().to())))
                .as("%s: back from %s", what, s.code())
                .isTrue());
        Map<String, String> asked = on.procedure().asked(on.machine(), given);
        on.procedure().writes().stream()
                .filter(w -> w.when().holds(on.machine(), asked) && LOOKS.contains(w.kind()))
                .forEach(w -> assertThat(w.when().answers().keySet().stream().anyMatch(asked::containsKey)
                                || asked.containsKey("clean"))
                        .as("%s: nobody looked, and %s is written", what, w.kind())
                        .isTrue());
        long clean = written(on, given).stream()
                .filter(w -> w.startsWith("VAT_INSPECTED") && w.contains("clean=true"))
                .count();
        long not = written(on, given).stream()
                .filter(w -> w.startsWith("VAT_INSPECTED") && w.contains("clean=false"))
                .count();
        assertThat(clean * not).as("%s: clean and not clean", what).isZero();
    }
}
