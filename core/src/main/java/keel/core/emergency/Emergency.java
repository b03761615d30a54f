package keel.core.emergency;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What to do at once, step by step, in the order in which it must be done.
 *
 * @param code of its address
 * @param when how one knows that it is this
 * @param never what makes it worse
 * @param writes what is written down afterwards, {@code says} what follows from that
 */
public record Emergency(
        String code, String name, String when, List<Step> steps, List<String> never, Writes writes, String says) {

    /** What is written down once it is over. */
    public enum Writes {
        LEAK,
        FELL,
        SPILL,
        HURT,
        SMOKE,
        POWER,
        SUN
    }

    /** What a step is about at a glance. */
    public enum Mark {
        NONE,
        GLOVES,
        PLUG,
        VAT,
        AIR,
        HURT
    }

    /**
     * One thing to do.
     *
     * @param otherwise what else, where the question of it is answered with no
     * @param why in a few words, null where it needs none
     * @param to code of the emergency that it leads to, null for none
     */
    public record Step(String what, @Nullable String otherwise, @Nullable String why, Mark mark, @Nullable String to) {}
}
