package keel.core.condition;

/**
 * Chance that a film is too cloudy for usual detail after so many print hours from now, reckoned once for hours that
 * grow by a third each, in between on a line.
 */
public final class CloudingAhead {

    private static final double FIRST_HOURS = 4;
    private static final double GROWS = 4.0 / 3;
    private static final int POINTS = 30;

    private final double[] hours = new double[POINTS];
    private final double[] chances = new double[POINTS];

    /**
     * @param uvShare UV hours in a print hour
     * @param bears loss of light at which it is too cloudy
     */
    public CloudingAhead(CloudingPath now, double uvShare, double bears) {
        CloudingPath path = now;
        chances[0] = path.beyond(bears);
        for (int i = 1; i < POINTS; i++) {
            hours[i] = i == 1 ? FIRST_HOURS : hours[i - 1] * GROWS;
            double step = hours[i] - hours[i - 1];
            path = path.after(step, step * uvShare);
            chances[i] = Math.max(chances[i - 1], path.beyond(bears));
        }
    }

    public double tooCloudy(double printHours) {
        for (int i = 1; i < POINTS; i++) {
            if (printHours <= hours[i]) {
                double part = (printHours - hours[i - 1]) / (hours[i] - hours[i - 1]);
                return chances[i - 1] + part * (chances[i] - chances[i - 1]);
            }
        }
        return chances[POINTS - 1];
    }
}
