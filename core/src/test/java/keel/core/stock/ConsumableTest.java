package keel.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Names as shops give them; common practice, no source. */
class ConsumableTest {

    private static final List<String> STORES = List.of(
            "Fan filters, G4",
            "Paper filters, 190 µm",
            "Nitrile gloves, M",
            "Isopropyl alcohol",
            "Carbon filter, 125 mm");

    @Test
    void aNameProposesWhatItSaysAndNothingElse() {
        assertThat(Consumable.PAPER_FILTER.proposed(STORES)).contains(1);
        assertThat(Consumable.AIR_FILTER.proposed(STORES)).contains(0);
        assertThat(Consumable.CARBON.proposed(STORES)).contains(4);
        assertThat(Consumable.ALCOHOL.proposed(STORES)).contains(3);
        assertThat(Consumable.TOWELS.proposed(STORES)).isEmpty();
    }

    @Test
    void whereTwoCouldBeMeantNoneIsProposed() {
        assertThat(Consumable.GLOVES.proposed(List.of("Gloves, M", "Gloves, L")))
                .isEmpty();
        assertThat(Consumable.GLOVES.proposed(List.of("Glovebox light"))).isEmpty();
    }
}
