package keel.core.preflight;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.preflight.FileFinding.Code;
import keel.core.preflight.FileFinding.Severity;
import org.jspecify.annotations.Nullable;

/**
 * Reads the layers of a sliced file one after another, from the plate to the film, and keeps no more than two of them.
 * Figures are common practice, no source.
 */
public final class Preflight {

    private static final double VENT_RADIUS_MM = 0.25;
    private static final double WEAK_FROM_MM2 = 2;
    private static final double WEAK_SHARE = 0.1;
    private static final double FLAT_FROM_MM2 = 100;
    private static final double FLAT_OFF_MM = 2;
    private static final double WALL_EVERY_MM = 1;
    private static final int BOTTOM_LAYERS = 8;
    private static final double SLAB_SHARE = 0.95;
    private static final double GREY_SHARE = 0.5;

    private final SheetSize size;
    private final Limits limits;
    private final PictureFindings pictures = new PictureFindings();
    private final VoidSweep hollows = new VoidSweep();
    private final SolidSweep solids = new SolidSweep();
    private final Doubled doubled = new Doubled();
    private final List<Double> areas = new ArrayList<>();
    private final List<Integer> pieces = new ArrayList<>();
    private final List<FileFinding> found = new ArrayList<>();
    private final SpotFindings spots;
    private @Nullable OutlineSweep outline;
    private @Nullable FusedSupports fused;
    private Regions thereBefore = new Regions(new Bits(1, 1), false);
    private @Nullable LayerPixels before;
    private double greyPixels;
    private double pixelMm2;
    private double pixelMm;
    private int height;
    private int layer;
    private int sinceWalls;

    public Preflight(SheetSize size, Limits limits) {
        this.size = size;
        this.limits = limits;
        this.spots = new SpotFindings(size, limits.spots());
    }

    /** @throws IllegalArgumentException if the picture is not as large as those before */
    public void layer(LayerPixels pixels) {
        layer++;
        if (layer == 1) {
            begin(pixels);
        } else if (pixels.height() != height || pixels.width() != thereBefore.width) {
            throw new IllegalArgumentException("Layer " + layer + " is not as large as those before it.");
        }
        Bits bright = Bits.of(pixels, LayerPixels.LIT);
        Regions lit = new Regions(bright, true);
        Bits solid = Bits.of(pixels, LayerPixels.THERE);
        Regions there = new Regions(solid, true);
        Regions voids = new Regions(opened(solid), false);
        long area = lit.pixels();
        areas.add(area * pixelMm2 / 100);
        pieces.add(lit.count());
        picture(pixels, lit, area);
        doubled.layer(bright);
        requireNonNull(outline).layer(lit);
        requireNonNull(fused).layer(there, layer);
        solids.layer(there, lit, Math.round(WEAK_FROM_MM2 / pixelMm2), WEAK_SHARE);
        hollows.layer(voids);
        flatFace(pixels, lit);
        walls(voids);
        spots.layer(bright, layer);
        thereBefore = there;
        before = pixels;
    }

    /**
     * A picture that cannot be read: it is taken to show what the one before it shows.
     *
     * @throws IllegalArgumentException if it is the first
     */
    public void unreadable(String why) {
        if (before == null) {
            throw new IllegalArgumentException("The first layer cannot be read: " + why);
        }
        layer(before);
        found.add(new FileFinding(
                Code.UNREADABLE_LAYER,
                Severity.STOP,
                layer,
                layer,
                size.widthMm() / 2,
                size.depthMm() / 2,
                0,
                null,
                null,
                "This picture cannot be read: " + why));
    }

    private void begin(LayerPixels first) {
        height = first.height();
        double across = size.widthMm() / first.width();
        double deep = size.depthMm() / first.height();
        pixelMm2 = across * deep;
        pixelMm = Math.sqrt(pixelMm2);
        thereBefore = new Regions(new Bits(first.width(), height), false);
        outline = new OutlineSweep(first.width(), height);
        fused = new FusedSupports(size.layerMm(), pixelMm, pixelMm2);
    }

    /** Where resin can get through: what is void, but for what is narrower than a vent. */
    private Bits opened(Bits solid) {
        Bits free = solid.others();
        double radius = VENT_RADIUS_MM / pixelMm;
        return radius < 1 ? free : solid.grown(radius).others().grown(radius).and(free);
    }

    private void picture(LayerPixels pixels, Regions lit, long area) {
        int w = pixels.width();
        long all = (long) w * height;
        double grey = 0;
        int greyRow = -1;
        for (int y = 0; y < height; y++) {
            int between = 0;
            long sum = 0;
            for (int x = 0; x < w; x++) {
                int g = pixels.at(x, y);
                sum += g;
                between += g > 0 && g < LayerPixels.WHITE ? 1 : 0;
            }
            grey += sum / 255.0;
            greyRow = between >= GREY_SHARE * w ? y : greyRow;
        }
        greyPixels += grey;
        if (area == 0) {
            pictures.add(Code.EMPTY_LAYER, layer, size.widthMm() / 2, size.depthMm() / 2);
        }
        if (layer > BOTTOM_LAYERS && area >= SLAB_SHARE * all) {
            pictures.add(Code.SLAB, layer, size.widthMm() / 2, size.depthMm() / 2);
        }
        if (greyRow >= 0) {
            pictures.add(Code.GREY_ROWS, layer, size.widthMm() / 2, yMm(greyRow + 0.5));
        }
        for (int r = 0; r < lit.count(); r++) {
            if (lit.rim[r]) {
                pictures.add(Code.OUT_OF_PLATE, layer, xMm(lit.x(r)), yMm(lit.y(r)));
                break;
            }
        }
    }

    /** Much that begins over void, far from what was there. */
    private void flatFace(LayerPixels pixels, Regions lit) {
        long least = Math.round(FLAT_FROM_MM2 / pixelMm2);
        if (layer == 1 || lit.pixels() < least) {
            return;
        }
        long[] over = new long[1];
        lit.over(thereBefore, (r, old, n) -> over[0] += n);
        if (lit.pixels() - over[0] < least) {
            return;
        }
        double[] sums = farFromBefore(pixels.width(), lit);
        if (sums[0] >= least) {
            double mm2 = sums[0] * pixelMm2;
            found.add(new FileFinding(
                    Code.FLAT_FACE,
                    Severity.LOOK,
                    layer,
                    layer,
                    xMm(sums[1] / sums[0]),
                    yMm(sums[2] / sums[0]),
                    Math.sqrt(mm2),
                    mm2,
                    null,
                    String.format(
                            Locale.ROOT,
                            "A flat face of %.1f cm² begins here and looks at the plate: it sits on supports and gets "
                                    + "pitted. Tilt it, or turn it to the film.",
                            mm2 / 100)));
        }
    }

    /** How many lit pixels begin far from what was there, and the sums of their places. */
    private double[] farFromBefore(int w, Regions lit) {
        Bits was = new Bits(w, height);
        thereBefore.each(r -> true, was::set);
        Distances off = new Distances(was, false);
        double[] sums = new double[3];
        lit.each(r -> true, (x, y) -> {
            if (off.at(x, y) * pixelMm > FLAT_OFF_MM) {
                sums[0]++;
                sums[1] += x;
                sums[2] += y;
            }
        });
        return sums;
    }

    /** Now and then: how thick what lies between each hollow and the outside is. */
    private void walls(Regions voids) {
        sinceWalls++;
        if (sinceWalls * size.layerMm() < WALL_EVERY_MM && layer > 1) {
            return;
        }
        sinceWalls = 0;
        boolean any = false;
        for (int r = 0; r < voids.count(); r++) {
            any |= !voids.rim[r];
        }
        if (!any) {
            return;
        }
        Bits outside = new Bits(voids.width, height);
        voids.each(r -> voids.rim[r], outside::set);
        Distances off = new Distances(outside, true);
        int at = layer;
        for (int r = 0; r < voids.count(); r++) {
            if (!voids.rim[r]) {
                int region = r;
                VoidSweep.Hollow h = hollows.of(r);
                voids.each(k -> k == region, (x, y) -> {
                    // the middle of the first pixel outside is half a pixel beyond the wall, as is that inside
                    double wall = off.at(x, y) - 1;
                    if (wall < h.thinnest) {
                        VoidSweep.thin(h, wall, at, x, y);
                    }
                });
            }
        }
    }

    private double xMm(double x) {
        return x / thereBefore.width * size.widthMm();
    }

    private double yMm(double y) {
        return (height - y) / height * size.depthMm();
    }

    /**
     * Once the last layer was read.
     *
     * @throws NullPointerException if none was
     */
    public FileReport report() {
        double heightMm = layer * size.layerMm();
        double ml = greyPixels * pixelMm2 * size.layerMm() / 1000;
        int lastLit = layer;
        while (lastLit > 0 && areas.get(lastLit - 1) == 0) {
            lastLit--;
        }
        found.addAll(pictures.findings(lastLit));
        found.addAll(spots.findings());
        Volumes volumes = new Volumes(size, pixelMm2, pixelMm, this::xMm, this::yMm);
        found.addAll(volumes.islands(solids));
        List<VoidSweep.Hollow> closed = hollows.closed();
        found.addAll(volumes.hollows(closed));
        found.addAll(AreaFindings.of(areas, pieces, size));
        doubled.finding(areas, size).ifPresent(found::add);
        found.addAll(requireNonNull(fused).findings(this::xMm, this::yMm));
        found.addAll(MachineFindings.whole(size, layer, heightMm, ml, limits));
        found.sort(FileFinding.WORST_FIRST);
        return new FileReport(
                layer,
                heightMm,
                ml,
                volumes.trappedMl(closed),
                List.copyOf(areas),
                List.copyOf(found),
                requireNonNull(outline).of(size));
    }

    /** What the pictures themselves show, one after another of the same kind taken together. */
    private static final class PictureFindings {

        private record Seen(Code code, int from, int to, double xMm, double yMm) {}

        private final List<Seen> seen = new ArrayList<>();

        void add(Code code, int layer, double xMm, double yMm) {
            for (int i = 0; i < seen.size(); i++) {
                Seen s = seen.get(i);
                if (s.code() == code && s.to() == layer - 1) {
                    seen.set(i, new Seen(code, s.from(), layer, s.xMm(), s.yMm()));
                    return;
                }
            }
            seen.add(new Seen(code, layer, layer, xMm, yMm));
        }

        /** @param lastLit the last layer of which something is lit; empty ones after it are just the end */
        List<FileFinding> findings(int lastLit) {
            return seen.stream()
                    .filter(s -> s.code() != Code.EMPTY_LAYER || s.from() <= lastLit)
                    .map(s -> new FileFinding(
                            s.code(),
                            s.code() == Code.GREY_ROWS ? Severity.LOOK : Severity.STOP,
                            s.from(),
                            s.to(),
                            s.xMm(),
                            s.yMm(),
                            0,
                            null,
                            null,
                            text(s.code())))
                    .toList();
        }

        private static String text(Code code) {
            return switch (code) {
                case EMPTY_LAYER -> "Nothing is lit here: a layer is missing, or the file is cut short.";
                case SLAB -> "All of the picture is lit: the whole plate would cure. The file is damaged.";
                case OUT_OF_PLATE -> "Something is lit at the edge of the picture: it reaches beyond the plate.";
                default -> "Half of a row is grey: some controllers cannot take that. Shift or turn the job a little.";
            };
        }
    }
}
