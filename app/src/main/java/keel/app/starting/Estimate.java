package keel.app.starting;

import java.time.Instant;

/**
 * What a job comes to.
 *
 * @param end when it would be done, started now
 * @param heightMm how tall it stands, null without a profile
 * @param layerMm layer height, null likewise
 */
public record Estimate(double seconds, double uvSeconds, Instant end, Double heightMm, Double layerMm) {

    /** The same of a file, which says itself how tall it stands. */
    public Estimate of(JobFiles.JobFile file) {
        return new Estimate(seconds, uvSeconds, end, file.checked().heightMm(), file.layerMm());
    }
}
