package keel.core.guide;

import java.util.List;
import java.util.Map;
import keel.core.standing.Caution;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineTraits;
import keel.core.standing.ServiceField;

/**
 * One step of a procedure: it fills a page.
 *
 * @param code short and unique within the procedure
 * @param title what to do, in a few words
 * @param text how, in a few sentences, one a paragraph
 * @param drawing name of the drawing that shows it
 * @param caution what can hurt here
 * @param seconds how long something takes, for a timer; null for none
 * @param asks what is asked at this step
 * @param turns the bolts that are tightened here one by one, NONE for none
 * @param tool what judges or measures here, NONE for none
 * @param detour another way if this one does not work, null for none
 * @param when where it applies
 * @param stops nothing may go on from here: an earlier answer must change, or the work is given up
 * @param advice what is advised here from what is known, NONE for nothing
 * @param onTank its words at a laser tank, null where they are the same
 * @param means what each answer of each question leads to
 */
public record Step(
        String code,
        String title,
        List<String> text,
        String drawing,
        Caution caution,
        Integer seconds,
        List<ServiceField> asks,
        Turns turns,
        Tool tool,
        Detour detour,
        When when,
        boolean stops,
        Advice advice,
        Said onTank,
        Map<String, Map<String, Meaning>> means) {

    /** The same in the words of this machine, with the answers that it can have; {@code machine} is null for none. */
    public Step on(MachineTraits machine) {
        if (machine == null) {
            return this;
        }
        boolean tank = onTank != null && machine.kind() == MachineKind.LASER_TANK;
        return new Step(
                code,
                tank ? onTank.title() : title,
                tank ? onTank.text() : text,
                drawing,
                caution,
                seconds,
                asks.stream()
                        .map(a -> machine.selfLevelling() ? a : a.without(BY_ITSELF))
                        .toList(),
                turns,
                tool,
                detour,
                when,
                stops,
                advice,
                null,
                means);
    }

    /** A title with its text. */
    public record Said(String title, List<String> text) {}

    /** What the records advise at a step. */
    public enum Advice {
        NONE,
        /** How to go on with a hole in a film. */
        HOLE
    }

    /** What only a machine that levels itself can be answered. */
    private static final String BY_ITSELF = "SELF";

    /** What an answer leads to. */
    public enum Meaning {
        /** On to the next step, and nothing else. */
        GO,
        /** To steps of its own, or past some. */
        BRANCH,
        /** To a step that nothing goes on from: back, or given up. */
        STOP,
        /** What is written down is another. */
        WRITE
    }

    /** Which bolts of the frame are turned. */
    public enum Turns {
        NONE,
        CLAMP,
        FRAME
    }

    /** A page beside the guide that judges or measures something. */
    public enum Tool {
        NONE,
        STANCE,
        LEVELLING,
        LEVEL,
        FIRST_LAYER,
        PROFILES,
        LUBRICATION,
        TONE,
        LOOK,
        SCREEN,
        LAYERS,
        UV,
        DRY_RUN
    }

    /**
     * Where to go on if a step does not work out.
     *
     * @param label what the button says
     * @param to code of the step to go on with
     * @param answer name of the answer that changes, null for none
     * @param value what it changes to
     */
    public record Detour(String label, String to, String answer, String value) {}
}
