package keel.app.guides;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.fleet.MachineRef;
import keel.core.bolts.VatFrame;
import keel.core.guide.Procedure;
import keel.core.guide.Step;
import keel.core.standing.MachineTraits;

/**
 * How far a guide has come: with one machine, or with several vats in one sitting, where whoever is furthest behind
 * comes next, so that each step is done for all of them before the next one.
 */
final class Course {

    /** Step of a subject that has only its summary left. */
    static final String END = "end";

    private final Procedure procedure;
    private final List<Subject> subjects;

    Course(Procedure procedure, List<Subject> subjects) {
        this.procedure = procedure;
        this.subjects = subjects;
    }

    /**
     * What a guide is gone through for: a machine, a vat, which may be on a machine, or a part in the path of the air.
     */
    static final class Subject {

        final String name;
        final String path;
        final Long vatId;
        final String vat;
        final MachineRef machine;
        final MachineTraits traits;
        final VatFrame frame;
        final Map<String, String> answers;
        String step;
        int boltsDone;

        private Subject(
                String name,
                String path,
                Long vatId,
                String vat,
                MachineRef machine,
                MachineTraits traits,
                VatFrame frame,
                String step,
                int boltsDone,
                Map<String, String> answers) {
            this.name = name;
            this.path = path;
            this.vatId = vatId;
            this.vat = vat;
            this.machine = machine;
            this.traits = traits;
            this.frame = frame;
            this.step = step;
            this.boltsDone = boltsDone;
            this.answers = answers;
        }

        static Subject machine(
                MachineRef machine, VatFrame frame, String step, int boltsDone, Map<String, String> answers) {
            return new Subject(
                    machine.name(),
                    "/machines/" + machine.code(),
                    null,
                    null,
                    machine,
                    machine.traits(),
                    frame,
                    step,
                    boltsDone,
                    answers);
        }

        /** @param machine that it is on, null on the shelf; {@code traits} are those of its kind then */
        static Subject vat(
                long id,
                String code,
                MachineRef machine,
                MachineTraits traits,
                VatFrame frame,
                String step,
                int boltsDone,
                Map<String, String> answers) {
            return new Subject(
                    "vat " + code + (machine == null ? "" : " on " + machine.name()),
                    "/vats/" + code,
                    id,
                    code,
                    machine,
                    traits,
                    frame,
                    step,
                    boltsDone,
                    answers);
        }

        /** Nothing of a machine is known or asked there. */
        static Subject airPart(String name, String step, Map<String, String> answers) {
            return new Subject(name, "/air", null, null, null, null, null, step, 0, answers);
        }

        private void go(String to) {
            step = to;
            boltsDone = 0;
        }
    }

    Procedure procedure() {
        return procedure;
    }

    List<Subject> subjects() {
        return subjects;
    }

    /** Who is furthest behind; the first of several. */
    Subject current() {
        return subjects.stream().min(Comparator.comparingInt(this::reached)).orElseThrow();
    }

    /** The step that is next; empty when all have only their summary left. */
    Optional<Step> step() {
        return procedure.step(current().step).map(s -> s.on(current().traits));
    }

    /** Whether any of them has left its first step. */
    boolean begun() {
        return subjects.stream()
                .anyMatch(
                        s -> !procedure.path(s.traits, s.answers).get(0).code().equals(s.step));
    }

    void done(Map<String, String> answers) {
        Subject subject = current();
        subject.answers.putAll(answers);
        subject.go(procedure
                .after(subject.step, subject.traits, subject.answers)
                .map(Step::code)
                .orElse(END));
    }

    /** Takes back the last step that was done: that of the one who is furthest ahead, the last of several. */
    void back() {
        Subject subject = subjects.stream()
                .reduce((a, b) -> reached(b) >= reached(a) ? b : a)
                .orElseThrow();
        if (subject.step.equals(END)) {
            List<Step> path = procedure.path(subject.traits, subject.answers);
            subject.go(path.get(path.size() - 1).code());
        } else {
            procedure.before(subject.step, subject.traits, subject.answers).ifPresent(s -> subject.go(s.code()));
        }
    }

    /** The step does not work out for the current one: on by its other way. */
    void detour(Step.Detour detour) {
        Subject subject = current();
        if (detour.answer() != null) {
            subject.answers.put(detour.answer(), detour.value());
        }
        subject.go(detour.to());
    }

    private int reached(Subject subject) {
        for (int i = 0; i < procedure.steps().size(); i++) {
            if (procedure.steps().get(i).code().equals(subject.step)) {
                return i;
            }
        }
        return procedure.steps().size();
    }
}
