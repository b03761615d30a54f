package keel.core.watch;

import java.time.Duration;
import java.time.Instant;
import keel.core.exposure.PrintTime;
import org.jspecify.annotations.Nullable;

/**
 * Where a print that is going on should be.
 *
 * @param layer being printed
 * @param heightMm printed so far, null where the layer height is not known
 * @param phase what is being printed
 * @param end when it should be done
 * @param clearLayer layer from which it stands out of the resin, null where it never does or that is not known
 */
public record Progress(
        int layer, int layers, @Nullable Double heightMm, Phase phase, Instant end, @Nullable Integer clearLayer) {

    /** What a layer belongs to. */
    public enum Phase {
        BOTTOM,
        TRANSITION,
        NORMAL
    }

    /**
     * @param layerMm layer height, null if not known
     * @param resinDepthMm depth of the resin with the plate up, null if not known
     */
    public static Progress of(
            Instant start,
            Instant now,
            PrintTime.Settings settings,
            @Nullable Double layerMm,
            @Nullable Double resinDepthMm) {
        double seconds = Math.max(0, Duration.between(start, now).toMillis() / 1000.0);
        int layer = PrintTime.layerAt(settings, seconds);
        Phase phase = layer <= settings.bottomLayers()
                ? Phase.BOTTOM
                : layer <= settings.bottomLayers() + settings.transitionLayers() ? Phase.TRANSITION : Phase.NORMAL;
        return new Progress(
                layer,
                settings.layers(),
                layerMm == null ? null : layer * layerMm,
                phase,
                start.plusMillis(Math.round(1000 * PrintTime.of(settings).seconds())),
                clearLayer(settings, layerMm, resinDepthMm));
    }

    /**
     * Layer from which a part that hangs from the plate stands out of resin of this depth; null where it never does.
     */
    public static @Nullable Integer clearLayer(
            PrintTime.Settings settings, @Nullable Double layerMm, @Nullable Double resinDepthMm) {
        if (layerMm == null || resinDepthMm == null) {
            return null;
        }
        int layer = (int) Math.ceil(resinDepthMm / layerMm);
        return layer > settings.layers() ? null : Integer.valueOf(Math.max(1, layer));
    }

    /** Whether something of it can be seen over the resin; null where that is not known. */
    public @Nullable Boolean outOfResin() {
        return clearLayer == null ? null : Boolean.valueOf(layer >= clearLayer);
    }

    /** What should be seen now, in a sentence or two. */
    public String shouldBe() {
        String picture =
                switch (phase) {
                    case BOTTOM -> "The screen shows the feet of the parts, all of them, each layer for long.";
                    case TRANSITION ->
                        "The screen shows the feet of the supports or the first of the parts; exposures grow shorter.";
                    case NORMAL ->
                        "The screen shows what the sliced file has at layer " + layer + ": page to it and compare.";
                };
        if (clearLayer == null) {
            return picture;
        }
        return picture
                + (layer >= clearLayer
                        ? " When the plate is up the first layers stand out of the resin: every part hangs there, "
                                + "whole."
                        : " Nothing stands out of the resin before layer " + clearLayer
                                + ": an empty look tells nothing yet.");
    }

    public double share() {
        return (double) layer / layers;
    }
}
