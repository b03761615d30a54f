package keel.app.starting.web;

import java.util.ArrayList;
import java.util.List;
import keel.core.placement.FootprintWords;
import keel.core.placement.PlacedPart;
import keel.core.placement.PlateCells;

/** A layout that is often printed, to start from; {@code lines} as the editor takes them. */
public record Preset(String name, String lines) {

    private static final double RIM_MM = 5;

    public static List<Preset> of(PlateCells cells) {
        double l = cells.lengthMm();
        double w = cells.widthMm();
        return List.of(
                new Preset(
                        "One in the middle",
                        FootprintWords.lines(List.of(new PlacedPart(l / 2, w / 2, l / 3, w / 3, 0)))),
                new Preset("A row of four", FootprintWords.lines(grid(l, w, 4, 1))),
                new Preset("Three by two", FootprintWords.lines(grid(l, w, 3, 2))),
                new Preset("Six by three", FootprintWords.lines(grid(l, w, 6, 3))),
                new Preset(
                        "The whole plate",
                        FootprintWords.lines(
                                List.of(new PlacedPart(l / 2, w / 2, l - 2 * RIM_MM, w - 2 * RIM_MM, 0)))));
    }

    private static List<PlacedPart> grid(double l, double w, int across, int deep) {
        double pitchX = (l - 2 * RIM_MM) / across;
        double pitchY = Math.min((w - 2 * RIM_MM) / deep, 1.4 * pitchX);
        List<PlacedPart> parts = new ArrayList<>();
        for (int row = 0; row < deep; row++) {
            for (int column = 0; column < across; column++) {
                parts.add(new PlacedPart(
                        RIM_MM + (column + 0.5) * pitchX,
                        w / 2 + (row - (deep - 1) / 2.0) * pitchY,
                        0.85 * pitchX,
                        0.85 * pitchY,
                        0));
            }
        }
        return parts;
    }
}
