package keel.core.guide;

import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineTraits;

/**
 * On which machines, and after which answers, something in a procedure applies. What is left out does not matter.
 *
 * @param kinds kinds of machine, empty for all
 * @param joints what holds the plate, empty for all
 * @param wholeAreaLight whether it must be able (true) or unable (false) to light its whole area, null for either
 * @param resinSensing whether it must look for resin before it prints (true) or must not (false), null for either
 * @param answers answer to what it must be, one of several
 */
public record When(
        Set<MachineKind> kinds,
        Set<LevelJoint> joints,
        Boolean wholeAreaLight,
        Boolean resinSensing,
        Map<String, List<String>> answers) {

    public static final When ALWAYS = new When(Set.of(), Set.of(), null, null, Map.of());

    public boolean holds(MachineTraits machine, Map<String, String> given) {
        return (kinds.isEmpty() || kinds.contains(machine.kind()))
                && (joints.isEmpty() || joints.contains(machine.joint()))
                && (wholeAreaLight == null || wholeAreaLight == machine.wholeAreaLight())
                && (resinSensing == null || resinSensing == machine.resinSensing())
                && answers.entrySet().stream().allMatch(a -> a.getValue().contains(given.getOrDefault(a.getKey(), "")));
    }
}
