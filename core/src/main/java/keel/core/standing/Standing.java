package keel.core.standing;

import java.util.List;

/**
 * The state of a machine with its reasons.
 *
 * @param sentence why it is in that state, in one sentence
 */
public record Standing(MachineState state, String sentence, List<Concern> concerns) {}
