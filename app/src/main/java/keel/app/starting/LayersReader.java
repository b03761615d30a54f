package keel.app.starting;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.file.Path;
import keel.app.base.Pictures;
import keel.app.base.Refused;
import keel.app.standing.MachineNow;
import keel.core.Findings;
import keel.core.preflight.FileReport;
import keel.core.preflight.LayerPixels;
import keel.core.preflight.Limits;
import keel.core.preflight.Preflight;
import keel.core.preflight.SheetSize;

/** Reads the layers of a sliced file one after another and lets them be judged. */
final class LayersReader {

    private static final int LEAST_PIXELS = 8;
    private static final double MOST_LAYER_MM = 1;
    private static final double MOST_MM = 2000;
    /** Pixels are as wide as deep, or nearly. */
    private static final double MOST_ASPECT = 1.5;

    private LayersReader() {}

    /** Told before each layer. */
    interface Progress {

        Progress NOBODY = (layer, of) -> {};

        /** @param layer that is read next, from 0 */
        void at(int layer, int of);
    }

    /** What a file is, by its own sheet or by what was asked. */
    record Read(SheetSize size, FileReport report) {}

    /** @throws Refused with a sentence, if it is nothing of the kind */
    static Read read(Path file, SlicedFiles.Asked asked, MachineNow machine, Limits limits, Progress progress)
            throws IOException {
        try (LayerArchive archive = LayerArchive.open(file)) {
            JsonNode sheet = archive.sheet();
            SheetSize size = size(archive, sheet, asked, machine);
            return new Read(size, read(archive, sheet, size, limits, progress));
        }
    }

    private static SheetSize size(LayerArchive archive, JsonNode sheet, SlicedFiles.Asked asked, MachineNow m) {
        Double layer = said(sheet, "layerMm", asked.layerMm());
        Double width = said(sheet, "widthMm", asked.widthMm());
        Double depth = said(sheet, "depthMm", asked.depthMm());
        if (m != null) {
            width = width == null ? Double.valueOf(m.plateWidthMm()) : width;
            depth = depth == null ? Double.valueOf(m.plateDepthMm()) : depth;
        }
        Findings findings = new Findings();
        findings.range(layer, 0.001, MOST_LAYER_MM, "layerMm", "The height of a layer", "mm");
        findings.range(width, 1, MOST_MM, "widthMm", "The width of the pictures", "mm");
        findings.range(depth, 1, MOST_MM, "depthMm", "The depth of the pictures", "mm");
        JsonNode layers = sheet.path("layers");
        findings.when(
                layers.isInt() && layers.asInt() != archive.size(),
                "file",
                "Its sheet says " + layers.asInt() + " layers, and " + archive.size() + " pictures are in it.");
        Refused.unless(findings);
        return new SheetSize(layer, width, depth);
    }

    private static Double said(JsonNode sheet, String field, Double otherwise) {
        JsonNode value = sheet.path(field);
        return value.isNumber() ? Double.valueOf(value.asDouble()) : otherwise;
    }

    private static FileReport read(
            LayerArchive archive, JsonNode sheet, SheetSize size, Limits limits, Progress progress) throws IOException {
        Preflight preflight = new Preflight(size, limits);
        for (int k = 0; k < archive.size(); k++) {
            progress.at(k, archive.size());
            byte[] png = archive.layer(k);
            try {
                LayerPixels pixels = LayerDecoder.read(png, archive.name(k));
                if (k == 0) {
                    requireFit(pixels, size, sheet);
                }
                preflight.layer(pixels);
            } catch (Pictures.Unreadable e) {
                unreadable(preflight, e, k);
            } catch (IllegalArgumentException e) {
                throw new Refused("file", e.getMessage());
            }
        }
        FileReport report = preflight.report();
        if (report.areaCm2().stream().allMatch(a -> a == 0)) {
            throw new Refused("file", "Nothing is lit on any of its pictures: a layer is bright where the resin sets.");
        }
        return report;
    }

    private static void unreadable(Preflight preflight, Pictures.Unreadable why, int layer) {
        if (layer == 0 || why.tooLarge()) {
            throw new Refused("file", why.getMessage());
        }
        preflight.unreadable(why.getMessage());
    }

    private static void requireFit(LayerPixels first, SheetSize size, JsonNode sheet) {
        if (first.width() < LEAST_PIXELS || first.height() < LEAST_PIXELS) {
            throw new Refused(
                    "file", "Pictures of " + first.width() + " × " + first.height() + " pixels are no layers.");
        }
        boolean other = sheet.path("pixelsX").isInt() && sheet.path("pixelsX").asInt() != first.width()
                || sheet.path("pixelsY").isInt() && sheet.path("pixelsY").asInt() != first.height();
        double across = size.widthMm() / first.width();
        double deep = size.depthMm() / first.height();
        double aspect = Math.max(across / deep, deep / across);
        if (other || aspect > MOST_ASPECT) {
            throw new Refused(
                    "file",
                    "Width and depth do not fit its pictures of " + first.width() + " × " + first.height()
                            + " pixels: which is right?");
        }
    }
}
