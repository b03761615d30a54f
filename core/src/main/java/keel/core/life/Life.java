package keel.core.life;

/**
 * The life of one part on its clock.
 *
 * @param hours reached, more than 0
 * @param ended whether it ended then by what is studied; false where it is still alive, or was taken out for another
 *     reason
 */
public record Life(double hours, boolean ended) {

    /** @throws IllegalArgumentException unless the hours are more than 0 and finite */
    public Life {
        if (!(hours > 0) || Double.isInfinite(hours)) {
            throw new IllegalArgumentException("A life must be more than 0 h: " + hours + ".");
        }
    }
}
