package keel.core.placement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Zones counted by hand on a plate of 120 by 80 mm: six columns and four rows of 20 mm. */
class PlateZonesTest {

    @Test
    void aRectangleCoversTheZonesItLiesOver() {
        assertThat(zones(PlacedPart.atCorner(1, 1, 15, 15))).containsExactly("A1");
        assertThat(zones(PlacedPart.atCorner(101, 61, 18, 18))).containsExactly("F4");
        assertThat(zones(PlacedPart.atCorner(15, 25, 30, 10))).containsExactly("A2", "B2", "C2");
        assertThat(zones(PlacedPart.atCorner(0, 0, 120, 80))).hasSize(24);
    }

    @Test
    void bitsAndBack() {
        assertThat(PlateZones.bits(List.of("A1"))).isEqualTo(1);
        assertThat(PlateZones.bits(List.of("F4"))).isEqualTo(1 << 23);
        assertThat(PlateZones.ofBits(PlateZones.bits(List.of("B2", "D3")))).containsExactly("B2", "D3");
        assertThat(PlateZones.ofBits(0)).isEmpty();
    }

    private static Set<String> zones(PlacedPart part) {
        return PlateZones.of(new Footprint.Parts(List.of(part)), 120, 80);
    }
}
