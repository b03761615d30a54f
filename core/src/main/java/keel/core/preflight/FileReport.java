package keel.core.preflight;

import java.util.List;

/**
 * What a sliced file is.
 *
 * @param resinMl what sets; grey counts by its share
 * @param trappedMl what stays shut in
 * @param areaCm2 that is lit, layer by layer
 * @param findings the worst first
 * @param outline as seen from three sides
 */
public record FileReport(
        int layers,
        double heightMm,
        double resinMl,
        double trappedMl,
        List<Double> areaCm2,
        List<FileFinding> findings,
        Outline outline) {}
