package keel.sim.shop;

import java.time.Instant;
import java.util.List;

/**
 * What the story wants of one machine. A simulation without a story has {@link #none()}.
 *
 * @param turns what must happen, in order of time
 * @param leftAloneFrom from then on no upkeep but that of the turns
 * @param onlyGoodFrom from then on nothing is printed that would fail
 * @param quietFrom from then on no print may still be running
 * @param keepsFilm whether the film stays to the end once the story has fitted it, unless it is pierced
 * @param finale how it stands when the story ends
 */
public record Plot(
        List<Turn> turns,
        Instant leftAloneFrom,
        Instant onlyGoodFrom,
        Instant quietFrom,
        boolean keepsFilm,
        Finale finale) {

    public enum Finale {
        /** Nothing in particular. */
        NONE,
        /** A print is running. */
        RUNNING,
        /** A print has failed within the last hour, and nobody has cleaned up. */
        JUST_FAILED
    }

    public static Plot none() {
        return new Plot(List.of(), Instant.MAX, Instant.MAX, Instant.MAX, false, Finale.NONE);
    }
}
