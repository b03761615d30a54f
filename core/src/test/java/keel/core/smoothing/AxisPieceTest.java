package keel.core.smoothing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.core.smoothing.AxisPiece.Point;
import keel.core.smoothing.AxisPiece.Triangle;
import keel.core.smoothing.SmoothingVerdict.Result;
import org.junit.jupiter.api.Test;

class AxisPieceTest {

    /** Each edge belongs to two triangles, once each way: nothing is open, nothing inside out. */
    @Test
    void itIsClosed() {
        Map<String, Integer> edges = new HashMap<>();
        for (Triangle t : AxisPiece.triangles()) {
            List<Point> p = List.of(t.a(), t.b(), t.c());
            for (int i = 0; i < 3; i++) {
                Point a = p.get(i);
                Point b = p.get((i + 1) % 3);
                edges.merge(a + " " + b, 1, Integer::sum);
                edges.merge(b + " " + a, -1, Integer::sum);
            }
        }
        assertThat(edges.values()).allMatch(n -> n == 0);
    }

    /**
     * Volume by the divergence theorem against the formula of a regular prism and a frustum, A = 8·tan(22.5°)·a²
     * and V = h/3·(A1 + A2 + √(A1·A2)).
     */
    @Test
    void itsVolumeIsThatOfFootStumpAndTab() {
        double sum = 0;
        for (Triangle t : AxisPiece.triangles()) {
            sum += (t.a().x() * (t.b().y() * t.c().z() - t.b().z() * t.c().y())
                            - t.a().y() * (t.b().x() * t.c().z() - t.b().z() * t.c().x())
                            + t.a().z() * (t.b().x() * t.c().y() - t.b().y() * t.c().x()))
                    / 6;
        }
        double octagon = 8 * Math.tan(Math.PI / 8);
        double foot = octagon * 15 * 15 * 2;
        double top = 12 - 20 * Math.tan(Math.toRadians(4));
        double lower = octagon * 144;
        double upper = octagon * top * top;
        double stump = 20.0 / 3 * (lower + upper + Math.sqrt(lower * upper));
        assertThat(sum).isCloseTo(foot + stump + 6 * 5 * 2, within(1e-6));
    }

    @Test
    void twoFacesStandToEachAxisAndFourBetweenAllLeaningByFourDegrees() {
        Map<Long, Integer> directions = new HashMap<>();
        for (Triangle t : AxisPiece.triangles()) {
            double[] n = AxisPiece.normal(t);
            if (t.a().z() >= AxisPiece.FOOT_HEIGHT_MM
                    && t.c().z() > AxisPiece.FOOT_HEIGHT_MM
                    && n[2] > 0
                    && n[2] < 0.5) {
                assertThat(Math.toDegrees(Math.asin(n[2]))).isCloseTo(4, within(1e-9));
                directions.merge(
                        Math.floorMod(Math.round(Math.toDegrees(Math.atan2(n[1], n[0]))), 360L), 1, Integer::sum);
            }
        }
        assertThat(directions.keySet()).containsExactlyInAnyOrder(0L, 45L, 90L, 135L, 180L, 225L, 270L, 315L);
    }

    /** Binary STL as commonly described: 80 bytes, a count, 50 bytes a triangle. */
    @Test
    void theFileIsBinaryStl() {
        byte[] stl = AxisPiece.stl();
        ByteBuffer in = ByteBuffer.wrap(stl).order(ByteOrder.LITTLE_ENDIAN);
        int count = in.getInt(80);
        assertThat(count).isEqualTo(AxisPiece.triangles().size());
        assertThat(stl).hasSize(84 + 50 * count);
        assertThat(new String(stl, 0, 5)).as("not taken for the text form").isNotEqualTo("solid");
        for (int i = 0; i < count; i++) {
            float x = in.getFloat(84 + 50 * i);
            float y = in.getFloat(88 + 50 * i);
            float z = in.getFloat(92 + 50 * i);
            assertThat(Math.sqrt(x * x + y * y + z * z)).isCloseTo(1, within(1e-5));
        }
    }

    @Test
    void whatTheFacesTell() {
        assertThat(SmoothingVerdict.of(false, false, false, true).result()).isEqualTo(Result.SMOOTH);
        SmoothingVerdict x = SmoothingVerdict.of(true, false, false, true);
        assertThat(x.result()).isEqualTo(Result.ONE_AXIS);
        assertThat(x.cause()).isEqualTo("smoothing-one-axis");
        assertThat(x.workaround()).contains("45°");
        assertThat(x.beyondHelp()).anyMatch(s -> s.contains("Spheres"));
        assertThat(SmoothingVerdict.of(false, true, true, true).workaround())
                .as("45° does not help where the faces between have lines too")
                .contains("square to X");
        assertThat(SmoothingVerdict.of(true, true, true, true).cause()).isEqualTo("smoothing-off");
        assertThat(SmoothingVerdict.of(true, true, false, true).words()).contains("never reaches the controller");
        assertThat(SmoothingVerdict.of(false, false, true, null).result()).isEqualTo(Result.ODD);
    }
}
