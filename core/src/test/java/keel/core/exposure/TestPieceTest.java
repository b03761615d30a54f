package keel.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.core.exposure.TestPiece.Corner;
import keel.core.exposure.TestPiece.Triangle;
import org.junit.jupiter.api.Test;

class TestPieceTest {

    /** Divergence theorem: a sixth of the sum of a·(b × c). */
    private static double volume(List<Triangle> body) {
        return body.stream()
                        .mapToDouble(t -> t.a().x() * (t.b().y() * t.c().z() - t.b().z() * t.c().y())
                                + t.a().y() * (t.b().z() * t.c().x() - t.b().x() * t.c().z())
                                + t.a().z() * (t.b().x() * t.c().y() - t.b().y() * t.c().x()))
                        .sum()
                / 6;
    }

    /** In a closed body each edge is walked once either way. */
    @Test
    void everyBodyIsClosedAndFacesOutwards() {
        for (List<Triangle> body : TestPiece.bodies()) {
            Map<List<Corner>, Integer> edges = new HashMap<>();
            body.forEach(t -> {
                edges.merge(List.of(t.a(), t.b()), 1, Integer::sum);
                edges.merge(List.of(t.b(), t.c()), 1, Integer::sum);
                edges.merge(List.of(t.c(), t.a()), 1, Integer::sum);
            });
            assertThat(edges.values()).containsOnly(1);
            edges.keySet().forEach(e -> assertThat(edges).containsKey(List.of(e.get(1), e.get(0))));
            assertThat(volume(body)).isPositive();
        }
    }

    /** By hand: 60 × 30 × 1.2; walls 8 × 6.4 high; pins of 24 sides, n/2·r²·sin(2π/n) in area. */
    @Test
    void volumesAreThoseOfTheSolids() {
        List<List<Triangle>> bodies = TestPiece.bodies();
        assertThat(volume(bodies.get(0))).isCloseTo(2160, within(1e-9));
        assertThat(volume(bodies.get(1))).isCloseTo(0.2 * 8 * 6.4, within(1e-9));
        assertThat(volume(bodies.get(2))).isCloseTo(12 * 0.15 * 0.15 * Math.sin(2 * Math.PI / 24) * 5.4, within(1e-9));
        assertThat(volume(bodies.get(3)) + volume(bodies.get(4)))
                .as("two blocks, 5.9 of 6 mm between them")
                .isCloseTo(5.9 * 8 * 3.4, within(1e-9));
    }

    @Test
    void theFileIsAsLongAsItSaysAndItsNormalsAreOfLengthOne() {
        ByteBuffer file = ByteBuffer.wrap(TestPiece.stl()).order(ByteOrder.LITTLE_ENDIAN);
        int triangles = file.getInt(80);
        assertThat(file.capacity()).isEqualTo(84 + 50 * triangles);
        for (int i = 0; i < triangles; i++) {
            int at = 84 + 50 * i;
            double x = file.getFloat(at);
            double y = file.getFloat(at + 4);
            double z = file.getFloat(at + 8);
            assertThat(x * x + y * y + z * z).isCloseTo(1, within(1e-5));
            for (int corner = 1; corner <= 3; corner++) {
                assertThat(file.getFloat(at + 12 * corner)).isBetween(0f, 60f);
                assertThat(file.getFloat(at + 12 * corner + 4)).isBetween(0f, 30f);
                assertThat(file.getFloat(at + 12 * corner + 8)).isBetween(0f, 7.21f);
            }
        }
    }
}
