package keel.core.exposure;

/**
 * A box-shaped part turned about its width: how high it stands. Geometry; that big flat faces are tilted, and that a
 * wide part at 30° may stand three times as tall, is common practice, no published source.
 *
 * @param lengthMm side that is lifted, &gt; 0
 * @param heightMm height before it is turned, &gt; 0
 */
public record TiltedPart(double lengthMm, double heightMm) {

    private static final double LARGEST_MM = 2000;

    public TiltedPart {
        if (!(lengthMm > 0 && lengthMm <= LARGEST_MM && heightMm > 0 && heightMm <= LARGEST_MM)) {
            throw new IllegalArgumentException(
                    "The length and the height of a part are more than 0 and at most 2000 mm.");
        }
    }

    /** @param degrees 0 to 90 */
    public double heightAt(double degrees) {
        if (!(degrees >= 0 && degrees <= 90)) {
            throw new IllegalArgumentException("A part is tilted by 0 to 90 degrees.");
        }
        double angle = Math.toRadians(degrees);
        return lengthMm * Math.sin(angle) + heightMm * Math.cos(angle);
    }

    /** Layers that it takes at this tilt, whole ones. */
    public int layersAt(double degrees, double layerMm) {
        if (!(layerMm > 0)) {
            throw new IllegalArgumentException("A layer is more than 0 mm high.");
        }
        return (int) Math.ceil(heightAt(degrees) / layerMm - 1e-9);
    }
}
