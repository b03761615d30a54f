package keel.core.standing;

import java.time.Instant;

/**
 * A small hole in a film that was cured shut until the film is changed. It is looked at every so many print hours; that
 * is common practice, no source.
 *
 * @param since when it was cured shut
 * @param hours print hours since somebody last looked at it and found it dry
 * @param everyHours print hours after which it must be looked at again
 */
public record StopGap(Instant since, double hours, double everyHours) {

    public boolean lapsed() {
        return hours >= everyHours;
    }
}
