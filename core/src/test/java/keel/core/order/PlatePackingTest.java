package keel.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import keel.core.order.PlatePacking.Bed;
import keel.core.order.PlatePacking.Piece;
import keel.core.order.PlatePacking.Put;
import keel.core.placement.Placement.Spot;
import org.junit.jupiter.api.Test;

/** Against counting: how many like squares lie on a plate side by side, and what the areas demand at the least. */
class PlatePackingTest {

    private static List<Piece> like(int count, double widthMm, double depthMm) {
        return Collections.nCopies(count, new Piece(widthMm, depthMm));
    }

    @Test
    void likeSquaresLieInRowsAndColumns() {
        for (int side = 7; side <= 60; side += 5) {
            int onOne = (122 + 2) / (side + 2) * ((68 + 2) / (side + 2));
            PlatePacking packed = PlatePacking.of(new Bed(122, 68, 2, List.of()), like(3 * onOne, side, side));

            assertThat(packed.plates()).as("side %d", side).hasSize(3);
            assertThat(packed.plates().get(0)).hasSize(onOne);
        }
    }

    /** Seven of 30 by 20 on 90 by 50 only fit where some are turned; as they lie there are six. */
    @Test
    void turnsWhereThatSavesAPlate() {
        assertThat(PlatePacking.of(new Bed(90, 50, 0, List.of()), like(7, 30, 20))
                        .plates())
                .hasSize(1);
    }

    @Test
    void neverOverlapsLeavesTheGapAndKeepsOffSpots() {
        Random random = new Random(11);
        for (int round = 0; round < 60; round++) {
            Bed bed = new Bed(
                    80 + random.nextInt(100),
                    60 + random.nextInt(60),
                    random.nextInt(4),
                    List.of(new Spot(random.nextInt(80), random.nextInt(60), 1 + random.nextInt(8))));
            List<Piece> pieces = new ArrayList<>();
            for (int i = 1 + random.nextInt(25); i > 0; i--) {
                pieces.add(new Piece(3 + 60 * random.nextDouble(), 3 + 60 * random.nextDouble()));
            }
            PlatePacking packed = PlatePacking.of(bed, pieces);

            Set<Integer> seen = new HashSet<>(packed.tooLarge());
            for (List<Put> plate : packed.plates()) {
                for (int i = 0; i < plate.size(); i++) {
                    sound(bed, pieces, plate.get(i));
                    assertThat(seen.add(plate.get(i).piece())).isTrue();
                    for (int k = 0; k < i; k++) {
                        assertThat(gap(plate.get(i), plate.get(k))).isGreaterThanOrEqualTo(bed.gapMm() - 1e-9);
                    }
                }
            }
            assertThat(seen).hasSize(pieces.size());
            assertThat(packed.plates().size()).isGreaterThanOrEqualTo(packed.atLeast());
            assertThat(packed.plates().size()).isLessThanOrEqualTo(2 * packed.atLeast() + 2);
        }
    }

    private static void sound(Bed bed, List<Piece> pieces, Put put) {
        assertThat(put.xMm()).isGreaterThanOrEqualTo(0);
        assertThat(put.yMm()).isGreaterThanOrEqualTo(0);
        assertThat(put.xMm() + put.widthMm()).isLessThanOrEqualTo(bed.widthMm());
        assertThat(put.yMm() + put.depthMm()).isLessThanOrEqualTo(bed.depthMm());
        Piece piece = pieces.get(put.piece());
        assertThat(List.of(put.widthMm(), put.depthMm())).containsExactlyInAnyOrder(piece.widthMm(), piece.depthMm());
        for (Spot spot : bed.off()) {
            double dx = Math.max(0, Math.max(put.xMm() - spot.xMm(), spot.xMm() - put.xMm() - put.widthMm()));
            double dy = Math.max(0, Math.max(put.yMm() - spot.yMm(), spot.yMm() - put.yMm() - put.depthMm()));
            assertThat(Math.hypot(dx, dy)).isGreaterThanOrEqualTo(spot.sizeMm() / 2 + bed.gapMm() - 1e-9);
        }
    }

    /** Along the axis on which they are further apart. */
    private static double gap(Put a, Put b) {
        double x = Math.max(a.xMm() - b.xMm() - b.widthMm(), b.xMm() - a.xMm() - a.widthMm());
        double y = Math.max(a.yMm() - b.yMm() - b.depthMm(), b.yMm() - a.yMm() - a.depthMm());
        return Math.max(x, y);
    }

    @Test
    void saysWhatNoPlateTakes() {
        PlatePacking packed =
                PlatePacking.of(new Bed(100, 50, 2, List.of()), List.of(new Piece(101, 20), new Piece(50, 100)));

        assertThat(packed.tooLarge()).containsExactly(0);
        assertThat(packed.plates()).hasSize(1);
        assertThat(packed.atLeast()).isEqualTo(1);
    }

    @Test
    void noPiecesNeedNoPlate() {
        PlatePacking packed = PlatePacking.of(new Bed(100, 50, 2, List.of()), List.of());

        assertThat(packed.plates()).isEmpty();
        assertThat(packed.atLeast()).isZero();
        assertThatThrownBy(() -> PlatePacking.of(new Bed(100, 50, 2, List.of()), like(1, 0, 5)))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
