package keel.core.screen;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Pictures to print one after the other in a dry run, all of the screen's own pixels.
 *
 * @param code of the set, {@code name} what it is for
 * @param layers from the first
 */
public record LayerSet(String code, String name, int pixelsX, int pixelsY, List<Layer> layers) {

    /** Grey of a pixel, 0 to 255, from the top left. */
    public interface Picture {
        int grey(int x, int y);
    }

    /** One layer; {@code shows} says what should be seen. */
    public record Layer(String shows, Picture picture) {}

    /** All sets for such a screen. */
    public static List<LayerSet> all(int pixelsX, int pixelsY) {
        return List.of(tests(pixelsX, pixelsY), harder(pixelsX, pixelsY), new ExposureStrips(pixelsX, pixelsY).set());
    }

    private static LayerSet tests(int pixelsX, int pixelsY) {
        return new LayerSet(
                "tests",
                "Test pictures, one a layer",
                pixelsX,
                pixelsY,
                Arrays.stream(TestPattern.values())
                        .map(p -> new Layer(p.words(), TestPicture.of(p, pixelsX, pixelsY)::grey))
                        .toList());
    }

    /** As many levels as it takes until the stripes are one pixel wide. */
    private static LayerSet harder(int pixelsX, int pixelsY) {
        TestPicture base = TestPicture.of(TestPattern.WHITE, pixelsX, pixelsY);
        int levels = 32 - Integer.numberOfLeadingZeros(pixelsX - 1);
        List<Layer> layers = new ArrayList<>();
        for (int level = 1; level <= levels; level++) {
            long grey = Math.round(Math.pow(2, level - levels) * pixelsX);
            layers.add(new Layer(
                    "Number " + level + ": " + HarderPicture.stripes(level, pixelsX) + " stripes in the back half, "
                            + grey + (grey == 1 ? " grey pixel" : " grey pixels") + " a row in the front half",
                    new HarderPicture(base, level, levels)::grey));
        }
        return new LayerSet("harder", "Harder from layer to layer", pixelsX, pixelsY, layers);
    }
}
