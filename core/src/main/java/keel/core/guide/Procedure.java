package keel.core.guide;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import keel.core.air.AirPartKind;
import keel.core.standing.LevelAdvice;
import keel.core.standing.MachineTraits;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;
import keel.core.stock.Consumable;

/**
 * How something is done at the bench, from the kit to what must follow.
 *
 * @param code of the open format
 * @param name what a button says
 * @param about why and when, in a sentence
 * @param minutes usual time; common practice, no source
 * @param when machines it is for
 * @param kit what to have at hand before the first step
 * @param uses what is used up, to be booked out of the stores
 * @param steps in order
 * @param writes services that are written down at the end, in order; none where it ends with something else
 * @param ending what is written down at the end
 * @param airPart the part in the path of the air that it is for; null for one at a machine or a vat
 * @param said what the logbook's button says at the end; null where the first service says it
 * @param follows what must follow, in sentences
 */
public record Procedure(
        String code,
        String name,
        String about,
        int minutes,
        When when,
        List<String> kit,
        List<Use> uses,
        List<Step> steps,
        List<Written> writes,
        Ending ending,
        AirPartKind airPart,
        String said,
        List<String> follows) {

    /**
     * What a procedure leaves in the records: services at a machine, a pour between bottle and vat, or a part in the
     * path of the air that begins anew.
     */
    public enum Ending {
        SERVICES,
        POUR,
        AIR_PART
    }

    /** Something used up; {@code kind} says which item of the stores it is booked from. */
    public record Use(Consumable kind, String what, double quantity) {}

    /**
     * A service written at the end, with every answer that is a field of its kind.
     *
     * @param fixed values that are always the same
     */
    public record Written(ServiceKind kind, Map<String, String> fixed, When when) {}

    /** The service that it is for; empty where it ends with something else. */
    public Optional<ServiceKind> service() {
        return writes.stream().findFirst().map(Written::kind);
    }

    /**
     * What must follow on such a machine, in sentences; a levelling only where what was touched asks for it there.
     *
     * @param machine null for none
     */
    public List<String> mustFollow(MachineTraits machine) {
        List<String> all = new ArrayList<>();
        if (machine != null && writes.stream().noneMatch(w -> w.kind() == ServiceKind.LEVELLING)) {
            writes.stream()
                    .map(w -> LevelAdvice.after(w.kind(), machine))
                    .filter(a -> !a.isEmpty())
                    .distinct()
                    .forEach(all::add);
        }
        all.addAll(follows);
        return all;
    }

    /** What is true when it is through: "Film changed". */
    public String done() {
        return said != null ? said : writes.get(0).kind().done();
    }

    /** Whether it cannot be gone through while the machine prints. */
    public boolean asksForStandstill() {
        return ending == Ending.POUR
                || service().filter(ServiceKind::asksForStandstill).isPresent();
    }

    public Optional<Step> step(String code) {
        return steps.stream().filter(s -> s.code().equals(code)).findFirst();
    }

    /**
     * The steps that apply on this machine after these answers, in order; {@code machine} is null for a part in the
     * path of the air.
     */
    public List<Step> path(MachineTraits machine, Map<String, String> answers) {
        Map<String, String> asked = asked(machine, answers);
        return steps.stream()
                .filter(s -> s.when().holds(machine, asked))
                .map(s -> s.on(machine))
                .toList();
    }

    /**
     * The answers to what is asked on this way: what was answered before somebody went back and took another way does
     * not count.
     */
    public Map<String, String> asked(MachineTraits machine, Map<String, String> answers) {
        Map<String, String> asked = new LinkedHashMap<>();
        for (Step step : steps) {
            if (step.when().holds(machine, asked)) {
                step.asks().stream()
                        .map(ServiceField::name)
                        .filter(answers::containsKey)
                        .forEach(a -> asked.put(a, answers.get(a)));
            }
        }
        return asked;
    }

    /** The step after the given one; empty at the end. */
    public Optional<Step> after(String code, MachineTraits machine, Map<String, String> answers) {
        return beside(code, machine, answers, 1);
    }

    /** The step before the given one; empty at the start. */
    public Optional<Step> before(String code, MachineTraits machine, Map<String, String> answers) {
        return beside(code, machine, answers, -1);
    }

    private Optional<Step> beside(String code, MachineTraits machine, Map<String, String> answers, int by) {
        int from = IntStream.range(0, steps.size())
                .filter(i -> steps.get(i).code().equals(code))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("No step is called " + code + "."));
        Map<String, String> asked = asked(machine, answers);
        return IntStream.iterate(from + by, i -> i >= 0 && i < steps.size(), i -> i + by)
                .mapToObj(steps::get)
                .filter(s -> s.when().holds(machine, asked))
                .map(s -> s.on(machine))
                .findFirst();
    }
}
