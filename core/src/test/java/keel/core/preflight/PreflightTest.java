package keel.core.preflight;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import keel.core.preflight.FileFinding.Code;
import keel.core.preflight.FileFinding.Severity;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;
import org.junit.jupiter.api.Test;

/** Against solids whose volumes and hollows are known from geometry; places and sizes by hand. */
class PreflightTest {

    private static final int W = 400;
    private static final int D = 300;
    private static final double PIXEL = 0.1;
    private static final SheetSize SIZE = new SheetSize(0.1, W * PIXEL, D * PIXEL);

    /** Whether a point of the solid, mm from the left, the front and the plate, is full. */
    private interface Solid {
        boolean in(double x, double y, double z);
    }

    private static FileReport check(double heightMm, Solid solid) {
        return check(heightMm, solid, Limits.NONE);
    }

    private static FileReport check(double heightMm, Solid solid, Limits limits) {
        Preflight preflight = new Preflight(SIZE, limits);
        int layers = (int) Math.round(heightMm / SIZE.layerMm());
        for (int k = 0; k < layers; k++) {
            byte[] grey = new byte[W * D];
            double z = (k + 0.5) * SIZE.layerMm();
            for (int y = 0; y < D; y++) {
                for (int x = 0; x < W; x++) {
                    boolean full = solid.in((x + 0.5) * PIXEL, (D - y - 0.5) * PIXEL, z);
                    grey[y * W + x] = (byte) (full ? 255 : 0);
                }
            }
            preflight.layer(new LayerPixels(W, D, grey));
        }
        return preflight.report();
    }

    private static boolean box(double x, double y, double z, double x0, double y0, double z0, double a, double h) {
        return Math.abs(x - x0) <= a / 2 && Math.abs(y - y0) <= a / 2 && z >= z0 && z < z0 + h;
    }

    private static boolean tube(double x, double y, double inner, double outer) {
        double r = Math.hypot(x - 20, y - 15);
        return r <= outer && r > inner;
    }

    private static FileFinding only(FileReport report, Code code) {
        return report.findings().stream()
                .filter(f -> f.code() == code)
                .reduce((a, b) -> {
                    throw new AssertionError("Two of " + code + ": " + report.findings());
                })
                .orElseThrow(() -> new AssertionError("No " + code + ": " + report.findings()));
    }

    @Test
    void aBlockHasItsVolumeAndNothingWrongWithIt() {
        FileReport report = check(10, (x, y, z) -> box(x, y, z, 20, 15, 0, 10, 10));
        assertThat(report.layers()).isEqualTo(100);
        assertThat(report.heightMm()).isCloseTo(10, within(1e-9));
        assertThat(report.resinMl()).isCloseTo(1, within(1e-9));
        assertThat(report.areaCm2().get(50)).isCloseTo(1, within(1e-9));
        assertThat(report.findings()).isEmpty();
    }

    @Test
    void aSphereOnAStemHasItsVolume() {
        FileReport report = check(17, (x, y, z) -> {
            boolean ball = Math.hypot(Math.hypot(x - 20, y - 15), z - 10) <= 6;
            return ball || Math.hypot(x - 20, y - 15) <= 2 && z < 10;
        });
        double ball = 4.0 / 3 * Math.PI * 216 / 1000;
        double stem = Math.PI * 4 * (10 - Math.sqrt(32)) / 1000;
        assertThat(report.resinMl()).isCloseTo(ball + stem, within(0.01 * ball));
        assertThat(report.findings()).extracting(FileFinding::code).doesNotContain(Code.ISLAND, Code.CUP);
    }

    @Test
    void whatHangsOnNothingIsAnIsland() {
        FileReport report = check(12, (x, y, z) -> box(x, y, z, 12, 15, 0, 6, 12) || box(x, y, z, 30, 10, 5, 3, 4));
        FileFinding island = only(report, Code.ISLAND);
        assertThat(island.severity()).isEqualTo(Severity.STOP);
        assertThat(island.layer()).isEqualTo(51);
        assertThat(island.toLayer()).isEqualTo(90);
        assertThat(island.xMm()).isCloseTo(30, within(0.1));
        assertThat(island.yMm()).isCloseTo(10, within(0.1));
        assertThat(island.areaMm2()).isCloseTo(9, within(0.4));
    }

    /** It hangs on nothing for two layers, and is part of the block from then on. */
    @Test
    void whatIsJoinedSoonIsLookedAt() {
        FileReport report = check(
                12,
                (x, y, z) -> box(x, y, z, 12, 15, 0, 6, 12)
                        || box(x, y, z, 30, 15, 5, 4, 6)
                        || z >= 5.2 && z < 6 && y > 14 && y < 16 && x > 12 && x < 30);
        assertThat(only(report, Code.ISLAND).severity()).isEqualTo(Severity.LOOK);
    }

    @Test
    void aClosedBoxHoldsItsHollowAndADrainedOneNone() {
        Solid shut = (x, y, z) -> box(x, y, z, 20, 15, 0, 12, 12) && !box(x, y, z, 20, 15, 2, 8, 8);
        FileReport report = check(12, shut);
        FileFinding trapped = only(report, Code.TRAPPED_RESIN);
        assertThat(trapped.severity()).isEqualTo(Severity.STOP);
        assertThat(trapped.ml()).isCloseTo(0.512, within(0.005));
        assertThat(report.trappedMl()).isCloseTo(0.512, within(0.005));
        assertThat(trapped.layer()).isEqualTo(21);
        assertThat(trapped.toLayer()).isEqualTo(100);
        FileReport drained =
                check(12, (x, y, z) -> shut.in(x, y, z) && !(Math.abs(x - 20) < 1 && z > 2.5 && z < 4.5 && y < 15));
        assertThat(drained.trappedMl()).isZero();
        assertThat(drained.findings()).noneMatch(f -> f.severity() == Severity.STOP);
    }

    /** What is narrower than half a millimetre lets no resin through. */
    @Test
    void aCrackIsNoDrain() {
        Solid cracked = (x, y, z) -> box(x, y, z, 20, 15, 0, 12, 12)
                && !box(x, y, z, 20, 15, 2, 8, 8)
                && !(Math.abs(x - 20) < 0.15 && z > 2.5 && z < 4.5 && y < 15);
        assertThat(check(12, cracked).trappedMl()).isCloseTo(0.512, within(0.01));
    }

    /** Open to the film: it sucks to the end. Open to the plate only: the same, and it opens when it is taken off. */
    @Test
    void aMugAndATubeSuck() {
        FileReport mug = check(14, (x, y, z) -> z < 2 ? tube(x, y, -1, 13) : tube(x, y, 11.5, 13));
        FileFinding cup = only(mug, Code.CUP);
        assertThat(cup.severity()).isEqualTo(Severity.STOP);
        assertThat(cup.ml()).isCloseTo(Math.PI * 11.5 * 11.5 * 12 / 1000, within(0.1));
        assertThat(cup.areaMm2()).isCloseTo(Math.PI * 11.5 * 11.5, within(5.0));
        assertThat(mug.trappedMl()).isZero();
        FileReport tube = check(8, (x, y, z) -> tube(x, y, 4, 6));
        assertThat(tube.trappedMl()).as("it opens as it is taken off").isZero();
        assertThat(only(tube, Code.CUP).severity()).isEqualTo(Severity.LOOK);
        FileReport vented = check(
                14,
                (x, y, z) -> (z < 2 ? tube(x, y, -1, 13) : tube(x, y, 11.5, 13))
                        && !(z > 2.5 && z < 4 && y < 15 && x > 19 && x < 21));
        assertThat(only(vented, Code.CUP).severity())
                .as("vented near the plate")
                .isEqualTo(Severity.LOOK);
    }

    @Test
    void aWallThatIsTooThinIsMeasured() {
        FileReport thin = check(14, (x, y, z) -> z < 2 ? tube(x, y, -1, 13) : tube(x, y, 12.3, 13));
        FileFinding wall = only(thin, Code.THIN_WALL);
        assertThat(wall.sizeMm()).isCloseTo(0.7, within(0.15));
        FileReport thick = check(14, (x, y, z) -> z < 2 ? tube(x, y, -1, 13) : tube(x, y, 11, 13));
        assertThat(thick.findings()).noneMatch(f -> f.code() == Code.THIN_WALL);
    }

    @Test
    void aRoofOverPillarsIsAFlatFaceAndAJump() {
        FileReport report = check(
                12,
                (x, y, z) -> z < 8
                        ? Math.abs(x % 10 - 5) < 0.6 && Math.abs(y % 10 - 5) < 0.6
                        : x > 2 && x < 38 && y > 2 && y < 28);
        assertThat(only(report, Code.FLAT_FACE).layer()).isEqualTo(81);
        assertThat(only(report, Code.FLAT_FACE).areaMm2()).isBetween(500.0, 936.0);
        assertThat(only(report, Code.AREA_JUMP).layer()).isEqualTo(81);
        assertThat(only(report, Code.HOLD_SMALL).severity()).isEqualTo(Severity.LOOK);
    }

    @Test
    void aBlockThatHangsFromANeckIsFound() {
        FileReport report = check(
                15,
                (x, y, z) -> box(x, y, z, 20, 15, 0, 15, z > 5 && z < 7 ? 0 : 15) || box(x, y, z, 20, 15, 5, 3, 2.1));
        assertThat(only(report, Code.THIN_NECK).layer()).isBetween(51, 71);
    }

    @Test
    void damagedPicturesStopAtOnce() {
        Solid block = (x, y, z) -> box(x, y, z, 20, 15, 0, 10, 10);
        FileReport gap = check(5, (x, y, z) -> block.in(x, y, z) && !(z > 2 && z < 2.2));
        assertThat(only(gap, Code.EMPTY_LAYER).layer()).isEqualTo(21);
        assertThat(only(gap, Code.EMPTY_LAYER).toLayer()).isEqualTo(22);
        FileReport slab = check(5, (x, y, z) -> block.in(x, y, z) || z > 3 && z < 3.1);
        assertThat(only(slab, Code.SLAB).layer()).isEqualTo(31);
        assertThat(only(slab, Code.OUT_OF_PLATE).layer()).isEqualTo(31);
    }

    @Test
    void machineAndResinAreHeldAgainstIt() {
        Spot spot = new Spot(SpotKind.DARK, 20, 15, 1, 1);
        Solid block = (x, y, z) -> box(x, y, z, 20, 15, 0, 10, 10);
        FileReport report = check(10, block, new Limits(8.0, 0.9, List.of(spot)));
        assertThat(report.findings())
                .extracting(FileFinding::code)
                .containsExactlyInAnyOrder(Code.TOO_TALL, Code.RESIN_SHORT, Code.ON_SPOT);
        Spot beside = new Spot(SpotKind.DARK, 5, 5, 1, 1);
        assertThat(check(10, block, new Limits(80.0, 90.0, List.of(beside))).findings())
                .isEmpty();
    }

    @Test
    void rowsOfGreyAreToldAndGreyCountsByItsShare() {
        Preflight preflight = new Preflight(SIZE, Limits.NONE);
        byte[] grey = new byte[W * D];
        for (int y = 100; y < 200; y++) {
            for (int x = 50; x < 350; x++) {
                grey[y * W + x] = (byte) 200;
            }
        }
        preflight.layer(new LayerPixels(W, D, grey));
        FileReport report = preflight.report();
        assertThat(only(report, Code.GREY_ROWS).severity()).isEqualTo(Severity.LOOK);
        assertThat(report.resinMl()).isCloseTo(30 * 10 * 0.1 / 1000 * 200 / 255, within(1e-9));
    }

    /** A cone on a plate, and the same once more on top of it; a lattice repeats too, and is meant so. */
    @Test
    void aModelThatStandsOnItsLikeIsFound() {
        Solid cone = (x, y, z) -> Math.hypot(x - 20, y - 15) <= 3 + z / 2;
        FileReport report = check(12, (x, y, z) -> cone.in(x, y, z % 6));
        assertThat(only(report, Code.DOUBLED).layer()).isEqualTo(61);
        assertThat(only(report, Code.DOUBLED).sizeMm()).isCloseTo(6, within(1e-9));
        FileReport waves = check(24, (x, y, z) -> cone.in(x, y, z % 3));
        assertThat(waves.findings()).noneMatch(f -> f.code() == Code.DOUBLED);
        assertThat(check(12, cone).findings()).noneMatch(f -> f.code() == Code.DOUBLED);
    }

    /** Things that look like faults and are none. */
    @Test
    void whatIsSoundDoesNotStop() {
        Solid ring = (x, y, z) -> tube(x, y, 4, 7);
        Solid atTheRim = (x, y, z) -> x > 0.2 && x < 6 && y > 0.2 && y < 6;
        Solid perforated = (x, y, z) -> z < 1
                ? x > 5 && x < 35 && y > 5 && y < 25 && Math.hypot(x % 3 - 1.5, y % 3 - 1.5) > 0.8
                : box(x, y, z, 20, 15, 0, 12, 8);
        Solid lattice = (x, y, z) -> {
            boolean frame = x % 5 < 1.5 && y % 5 < 1.5 || z % 5 < 1.5 && (x % 5 < 1.5 || y % 5 < 1.5);
            return x > 5 && x < 35 && y > 5 && y < 25 && frame;
        };
        for (Solid sound : List.of(ring, atTheRim, perforated, lattice)) {
            FileReport report = check(7, sound);
            assertThat(report.findings())
                    .as(report.findings().toString())
                    .noneMatch(f -> f.severity() == Severity.STOP);
        }
    }

    @Test
    void layersOfUnlikeSizesAreRefused() {
        Preflight preflight = new Preflight(SIZE, Limits.NONE);
        preflight.layer(new LayerPixels(W, D, new byte[W * D]));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> preflight.layer(new LayerPixels(W + 1, D, new byte[(W + 1) * D])))
                .withMessageContaining("Layer 2");
    }

    /** A post of 0.6 mm beside a block; a tip that touches is part of it and says nothing. */
    @Test
    void aSupportThatStandsTooNearAWallForLongIsLookedAt() {
        FileReport near = check(12, (x, y, z) -> box(x, y, z, 20, 15, 0, 8, 12) || post(x, y, 24.2, 15) && z < 9);
        FileFinding fused = only(near, Code.SUPPORT_FUSED);
        assertThat(fused.severity()).isEqualTo(Severity.LOOK);
        assertThat(fused.xMm()).isCloseTo(24.5, within(0.1));
        assertThat(fused.yMm()).isCloseTo(15, within(0.1));
        assertThat(fused.sizeMm()).as("the gap").isCloseTo(0.2, within(0.11));
        assertThat(fused.toLayer()).isBetween(85, 90);
        FileReport apart = check(12, (x, y, z) -> box(x, y, z, 20, 15, 0, 8, 12) || post(x, y, 24.6, 15) && z < 9);
        assertThat(apart.findings()).extracting(FileFinding::code).doesNotContain(Code.SUPPORT_FUSED);
        FileReport shortly = check(12, (x, y, z) -> box(x, y, z, 20, 15, 0, 8, 12) || post(x, y, 24.2, 15) && z < 2);
        assertThat(shortly.findings()).extracting(FileFinding::code).doesNotContain(Code.SUPPORT_FUSED);
    }

    /** @param left where it begins */
    private static boolean post(double x, double y, double left, double middle) {
        return x >= left && x < left + 0.6 && Math.abs(y - middle) <= 0.3;
    }

    @Test
    void spotsAreHitWhereAnyOfThemIsLitOrLeftFree() {
        Solid block = (x, y, z) -> box(x, y, z, 20, 15, 0, 10, 5);
        Spot beside = new Spot(SpotKind.DARK, 27, 15, 2, 1);
        Spot touching = new Spot(SpotKind.DARK, 25.5, 15, 2, 1);
        Spot dim = new Spot(SpotKind.DIM, 20, 15, 2, 1);
        Spot line = Spot.line(5, 11, 0.2, 300, false, 1);
        Spot apart = Spot.line(5, 15, 0.2, 300, true, 1);
        FileReport report = check(5, block, new Limits(null, null, List.of(beside, touching, dim, line, apart)));
        assertThat(report.findings()).extracting(FileFinding::code).containsOnly(Code.ON_SPOT);
        assertThat(report.findings())
                .extracting(FileFinding::xMm, FileFinding::severity)
                .containsExactlyInAnyOrder(
                        org.assertj.core.api.Assertions.tuple(25.5, Severity.STOP),
                        org.assertj.core.api.Assertions.tuple(5.0, Severity.STOP),
                        org.assertj.core.api.Assertions.tuple(20.0, Severity.LOOK));
        Spot covered = new Spot(SpotKind.LIT, 20, 15, 2, 1);
        Spot free = new Spot(SpotKind.LIT, 5, 5, 2, 1);
        assertThat(check(5, block, new Limits(null, null, List.of(covered, free)))
                        .findings())
                .singleElement()
                .satisfies(f -> assertThat(f.xMm()).isEqualTo(5));
    }

    /** A block of 10 × 6 × 4 mm: each side of it fills as many cells as it is long, to a cell. */
    @Test
    void theOutlineIsWhatStandsThere() {
        Outline o = check(4, (x, y, z) -> Math.abs(x - 12) <= 5 && Math.abs(y - 20) <= 3)
                .outline();
        double cell = o.top().widthMm() / o.top().across();
        assertThat(filled(o.top()) * cell * cell).isCloseTo(60, within(4.0));
        assertThat(filled(o.front()) * cell * o.front().heightMm() / o.front().high())
                .isCloseTo(40, within(2.0));
        assertThat(filled(o.side()) * cell * o.side().heightMm() / o.side().high())
                .isCloseTo(24, within(2.0));
        Silhouette.Run first = o.side().runs().get(0);
        assertThat(first.from() * cell).as("from the front").isCloseTo(17, within(0.3));
        assertThat(o.top().runs().get(0).row() * cell).as("from the back").isCloseTo(30 - 23, within(0.3));
    }

    /** A block on nine stems is no neck, however thin they are together; on one it is. */
    @Test
    void supportsAreNoNeck() {
        Solid raft = (x, y, z) -> z < 1 && Math.abs(x - 20) < 8 && Math.abs(y - 15) < 8;
        Solid nine = (x, y, z) -> z < 4
                && Math.abs(Math.IEEEremainder(x - 20, 5)) < 0.5
                && Math.abs(Math.IEEEremainder(y - 15, 5)) < 0.5
                && Math.abs(x - 20) < 7
                && Math.abs(y - 15) < 7;
        Solid one = (x, y, z) -> z < 4 && Math.abs(x - 20) < 1.5 && Math.abs(y - 15) < 1.5;
        Solid block = (x, y, z) -> z >= 4 && Math.abs(x - 20) < 8 && Math.abs(y - 15) < 8;
        FileReport stems = check(8, (x, y, z) -> raft.in(x, y, z) || nine.in(x, y, z) || block.in(x, y, z));
        assertThat(stems.findings()).extracting(FileFinding::code).doesNotContain(Code.THIN_NECK);
        FileReport neck = check(8, (x, y, z) -> raft.in(x, y, z) || one.in(x, y, z) || block.in(x, y, z));
        assertThat(only(neck, Code.THIN_NECK).layer()).isBetween(11, 40);
    }

    private static int filled(Silhouette s) {
        return s.runs().stream().mapToInt(r -> r.to() - r.from()).sum();
    }
}
