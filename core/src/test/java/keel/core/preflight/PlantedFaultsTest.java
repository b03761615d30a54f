package keel.core.preflight;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import keel.core.preflight.FileFinding.Code;
import keel.core.preflight.FileFinding.Severity;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;
import org.junit.jupiter.api.Test;

/** Files made by chance: sound ones that must not stop anybody, and each with a fault planted where it is known. */
class PlantedFaultsTest {

    private static final int W = 240;
    private static final int D = 160;
    private static final double PIXEL = 0.25;
    private static final double LAYER = 0.3;
    private static final SheetSize SIZE = new SheetSize(LAYER, W * PIXEL, D * PIXEL);
    /** More with {@code -Dkeel.planted=2100}; sound ones are a quarter as many. */
    private static final int FAULTY = Integer.getInteger("keel.planted", 42);

    private static final int SOUND = Math.max(20, FAULTY / 4);
    private static final int LAYERS = 60;

    /** Whether a point is full, mm from the left, the front and the plate. */
    private interface Solid {

        boolean in(double x, double y, double z);

        default Solid or(Solid other) {
            return (x, y, z) -> in(x, y, z) || other.in(x, y, z);
        }

        default Solid but(Solid other) {
            return (x, y, z) -> in(x, y, z) && !other.in(x, y, z);
        }
    }

    private static Solid box(double cx, double cy, double from, double w, double d, double h) {
        return (x, y, z) -> Math.abs(x - cx) <= w / 2 && Math.abs(y - cy) <= d / 2 && z >= from && z < from + h;
    }

    private static Solid cylinder(double cx, double cy, double from, double r, double h) {
        return (x, y, z) -> Math.hypot(x - cx, y - cy) <= r && z >= from && z < from + h;
    }

    /** From the plate on, wider or narrower by a slope. */
    private static Solid cone(double cx, double cy, double r, double slope, double h) {
        return (x, y, z) -> z < h && Math.hypot(x - cx, y - cy) <= Math.max(0.6, r + slope * z);
    }

    /** What a shop prints every day: bodies that stand on the plate, on rafts and stems, solid, vented, in lattices. */
    private static Solid sound(Random random) {
        double cx = 15 + 3 * random.nextDouble();
        double cy = 20 + 2 * random.nextDouble();
        double h = 8 + 8 * random.nextDouble();
        return switch (random.nextInt(7)) {
            case 0 -> box(cx, cy, 0, 8 + 8 * random.nextDouble(), 8 + 10 * random.nextDouble(), h);
            case 1 -> cone(cx, cy, 4 + 4 * random.nextDouble(), -0.3 + 0.5 * random.nextDouble(), h);
            case 2 -> raftStemsAndDome(cx, cy, h);
            case 3 ->
                cylinder(cx, cy, 0, 9, h).but(cylinder(cx, cy, -1, 6, h + 2)).but(box(cx, cy - 8, 0, 3, 8, 2));
            case 4 -> lattice(cx, cy, h);
            case 5 -> box(cx, cy, 0, 16, 12, h).or(lettering(cx, cy, h));
            default ->
                cylinder(cx, cy, 0, 7, h)
                        .or(cylinder(cx + 20, cy, 0, 5, h * 0.6))
                        .or(box(cx + 10, cy, 0, 20, 3, 2));
        };
    }

    private static Solid raftStemsAndDome(double cx, double cy, double h) {
        Solid stems = cylinder(cx, cy, 0, 1.5, 5);
        for (int i = 0; i < 6; i++) {
            stems = stems.or(cylinder(cx + 4 * Math.cos(i), cy + 4 * Math.sin(i), 0, 0.8, 5));
        }
        Solid dome = (x, y, z) -> {
            double up = (z - 3) / h;
            return up >= 0 && up <= 1 && Math.hypot(x - cx, y - cy) <= 8 * Math.sqrt(up);
        };
        return box(cx, cy, 0, 18, 18, 0.8).or(stems).or(dome);
    }

    private static Solid lattice(double cx, double cy, double h) {
        return (x, y, z) -> {
            boolean inside = Math.abs(x - cx) < 9 && Math.abs(y - cy) < 9 && z < h;
            boolean bar =
                    Math.abs(Math.IEEEremainder(x - cx, 4)) < 0.7 || Math.abs(Math.IEEEremainder(y - cy, 4)) < 0.7;
            boolean deck = z % 4 < 0.8;
            boolean open =
                    Math.abs(Math.IEEEremainder(x - cx, 4)) > 1.2 && Math.abs(Math.IEEEremainder(y - cy, 4)) > 1.2;
            boolean gap = z % 4 > 1.6 && z % 4 < 3 && Math.abs(Math.IEEEremainder(x - cx - 2, 4)) < 1
                    || z % 4 > 1.6 && z % 4 < 3 && Math.abs(Math.IEEEremainder(y - cy - 2, 4)) < 1;
            return inside && (bar && !gap || deck && !open);
        };
    }

    private static Solid lettering(double cx, double cy, double h) {
        return (x, y, z) -> z >= h
                && z < h + 0.6
                && Math.abs(y - cy) < 2
                && Math.abs(x - cx) < 6
                && Math.abs(Math.IEEEremainder(x, 2)) < 0.4;
    }

    /** A file with a fault: what is printed, what is found of it and where; {@code at} null where it has no place. */
    private record Planted(Solid solid, Code code, int layer, double[] at, List<Spot> spots, int spoiledLayer) {

        static Planted of(Solid solid, Code code, double fromMm, double... at) {
            int layer = (int) Math.ceil(fromMm / LAYER - 0.5) + 1;
            return new Planted(solid, code, layer, at.length == 0 ? null : at, List.of(), 0);
        }
    }

    private static final List<Code> KINDS = List.of(
            Code.ISLAND,
            Code.CUP,
            Code.TRAPPED_RESIN,
            Code.FLAT_FACE,
            Code.THIN_WALL,
            Code.AREA_JUMP,
            Code.HOLD_SMALL,
            Code.THIN_NECK,
            Code.SUPPORT_FUSED,
            Code.EMPTY_LAYER,
            Code.SLAB,
            Code.OUT_OF_PLATE,
            Code.ON_SPOT,
            Code.DOUBLED);

    private static Planted planted(Code code, Random random) {
        double at = 3 + 3 * random.nextDouble();
        double cx = 44 + 3 * random.nextDouble();
        double cy = 18 + 4 * random.nextDouble();
        Solid base = sound(random);
        return switch (code) {
            case ISLAND -> {
                double side = 1.5 + 3 * random.nextDouble();
                Solid piece = random.nextBoolean()
                        ? box(cx, cy, at, side, side, 2 + random.nextDouble())
                        : cylinder(cx, cy, at, side / 2, 2 + random.nextDouble());
                yield Planted.of(base.or(piece), code, at, cx, cy);
            }
            case CUP ->
                Planted.of(
                        base.or(cylinder(cx, cy, 0, 13.5, 14).but(cylinder(cx, cy, at, 11.8, 30))), code, at, cx, cy);
            case TRAPPED_RESIN -> {
                double room = 5 + 3 * random.nextDouble();
                yield Planted.of(
                        base.or(box(cx, cy, 0, 13, 13, 13).but(box(cx, cy, at, room, room, room - 1))),
                        code,
                        at,
                        cx,
                        cy);
            }
            case FLAT_FACE -> {
                Solid posts = cylinder(cx, cy, 0, 1.5, at + 1)
                        .or(cylinder(cx + 7, cy, 0, 1, at + 1))
                        .or(cylinder(cx - 7, cy, 0, 1, at + 1));
                yield Planted.of(base.or(posts).or(box(cx, cy, at, 22, 16, 2)), code, at, cx, cy);
            }
            case THIN_WALL -> {
                double wall = 0.5 + 0.3 * random.nextDouble();
                Solid shell = box(cx, cy, 0, 12, 12, 12).but(box(cx, cy, 2, 12 - 2 * wall, 8, 8));
                yield new Planted(base.or(shell), code, 0, null, List.of(), 0);
            }
            case AREA_JUMP ->
                Planted.of(box(30, 20, 0, 10 + random.nextInt(4), 10, at).or(box(30, 20, at, 40, 26, 3)), code, at);
            case HOLD_SMALL ->
                new Planted(cone(30, 20, 1.5, 1.4 + 0.2 * random.nextDouble(), 11), code, 1, null, List.of(), 0);
            case THIN_NECK ->
                new Planted(
                        box(30, 20, 0, 18, 18, 2)
                                .or(cylinder(30, 20, 2, 1.2, at))
                                .or((x, y, z) ->
                                        z >= 2 + at && z < 14 && Math.hypot(x - 30, y - 20) <= 1.2 + 2 * (z - 2 - at)),
                        code,
                        0,
                        null,
                        List.of(),
                        0);
            case SUPPORT_FUSED -> {
                Solid wall = box(cx, cy, 0, 8, 8, 14);
                double left = cx + 4 + 0.26;
                Solid post = (x, y, z) -> x >= left && x < left + 1 && Math.abs(y - cy) < 0.5 && z < 5 + at;
                yield new Planted(base.or(wall).or(post), code, 0, new double[] {left + 0.5, cy}, List.of(), 0);
            }
            case ON_SPOT -> {
                Spot spot = new Spot(SpotKind.DARK, cx + 2, cy - 1, 0.6 + random.nextDouble(), 1);
                yield new Planted(
                        base.or(box(cx, cy, 0, 8, 8, 6)), code, 1, new double[] {cx + 2, cy - 1}, List.of(spot), 0);
            }
            case OUT_OF_PLATE -> new Planted(base.or(box(58, cy, 0, 6, 6, 6)), code, 1, null, List.of(), 0);
            case DOUBLED -> {
                Solid one = cone(44, 20, 5, 0.35, 6);
                yield new Planted(one.or((x, y, z) -> one.in(x, y, z - 6)), code, 0, null, List.of(), 0);
            }
            default -> new Planted(base, code, 0, null, List.of(), 14 + random.nextInt(8));
        };
    }

    private static FileReport read(Planted planted) {
        Preflight preflight = new Preflight(SIZE, new Limits(null, null, planted.spots()));
        for (int k = 1; k <= LAYERS; k++) {
            byte[] grey = new byte[W * D];
            double z = (k - 0.5) * LAYER;
            boolean spoiled = k == planted.spoiledLayer();
            for (int i = 0; i < grey.length; i++) {
                boolean lit = planted.solid().in((i % W + 0.5) * PIXEL, (D - i / W - 0.5) * PIXEL, z);
                lit = spoiled ? planted.code() == Code.SLAB : lit;
                grey[i] = (byte) (lit ? 255 : 0);
            }
            preflight.layer(new LayerPixels(W, D, grey));
        }
        return preflight.report();
    }

    private static boolean found(Planted planted, FileReport report) {
        return report.findings().stream()
                .filter(f -> f.code() == planted.code())
                .filter(f -> planted.spoiledLayer() == 0 || f.layer() == planted.spoiledLayer())
                .filter(f -> planted.spoiledLayer() > 0
                        || planted.layer() == 0
                        || Math.abs(f.layer() - planted.layer()) <= 2)
                .anyMatch(f -> planted.at() == null
                        || Math.hypot(f.xMm() - planted.at()[0], f.yMm() - planted.at()[1]) <= 1.5 + f.sizeMm() / 8);
    }

    @Test
    void whatIsPlantedIsFoundWhereItIs() {
        Map<Code, Integer> missed = new EnumMap<>(Code.class);
        List<String> said = new ArrayList<>();
        for (int n = 0; n < FAULTY; n++) {
            Planted planted = planted(KINDS.get(n % KINDS.size()), new Random(1000 + n));
            FileReport report = read(planted);
            if (!found(planted, report)) {
                missed.merge(planted.code(), 1, Integer::sum);
                said.add(n + " " + planted.code() + " at " + planted.layer() + ": "
                        + report.findings().stream()
                                .map(f -> f.code() + "@" + f.layer() + " " + Math.round(f.xMm()) + ","
                                        + Math.round(f.yMm()))
                                .toList());
            }
        }
        int all = missed.values().stream().mapToInt(Integer::intValue).sum();
        assertThat(all).as("%d planted, missed %s: %s", FAULTY, missed, said).isLessThanOrEqualTo(FAULTY * 3 / 100);
    }

    @Test
    void soundFilesStopNobody() {
        List<String> stopped = new ArrayList<>();
        for (int n = 0; n < SOUND; n++) {
            Planted none = new Planted(sound(new Random(n)), Code.ISLAND, 0, null, List.of(), 0);
            read(none).findings().stream()
                    .filter(f -> f.severity() == Severity.STOP)
                    .findFirst()
                    .ifPresent(f -> stopped.add(f.code() + " at " + f.layer() + ": " + f.text()));
        }
        assertThat(stopped).as("of %d sound files", SOUND).hasSizeLessThanOrEqualTo(1);
    }
}
