package keel.core.begin;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import keel.core.begin.Beginning.Item;
import keel.core.begin.Beginning.Preset;
import keel.core.standing.MachineKind;
import keel.core.stock.StockUnit;
import org.junit.jupiter.api.Test;

class BeginningTest {

    private final Beginning beginning = Beginning.shipped();

    /** A mask pixel of the trade is between 0.015 and 0.06 mm, square: common practice. */
    @Test
    void aScreenHasSquarePixelsOfTheTradesSize() {
        List<Preset> masks = beginning.models().stream()
                .filter(m -> m.kind() == MachineKind.MASK)
                .toList();
        assertThat(masks).hasSize(3).allSatisfy(m -> {
            double across = m.widthMm() / m.pixelsX();
            assertThat(across).isBetween(0.015, 0.06);
            assertThat(m.depthMm() / m.pixelsY()).isBetween(across * 0.98, across * 1.02);
        });
        assertThat(beginning.models())
                .filteredOn(m -> m.kind() != MachineKind.MASK)
                .allSatisfy(m -> assertThat(m.pixelsX()).isNull());
    }

    @Test
    void everyKindOfMachineIsThereAndEveryCodeAndNameOnce() {
        assertThat(beginning.models()).extracting(Preset::kind).contains(MachineKind.values());
        assertThat(new HashSet<>(beginning.models().stream().map(Preset::code).toList()))
                .hasSameSizeAs(beginning.models());
        assertThat(new HashSet<>(beginning.stock().stream().map(Item::name).toList()))
                .hasSameSizeAs(beginning.stock());
        assertThat(StockUnit.words())
                .containsAll(beginning.stock().stream().map(Item::unit).toList());
        assertThat(beginning.model("middle")).isPresent();
        assertThat(beginning.model("no such")).isEmpty();
    }

    @Test
    void namesAreReadFromOneField() {
        assertThat(Names.of(" Heron, Ibis;  Little   egret\nheron ,,"))
                .containsExactly("Heron", "Ibis", "Little egret");
        assertThat(Names.of(null)).isEmpty();
        assertThat(Names.of(" , ")).isEmpty();
    }

    @Test
    void namesThatBeginAlikeAreGrouped() {
        assertThat(Names.alike(List.of("Ibis", "Heron", "Ouzel", "hobby", "Owl")))
                .containsExactly(List.of("Heron", "hobby"), List.of("Ouzel", "Owl"));
        assertThat(Names.alike(List.of("Heron", "Ibis"))).isEmpty();
    }
}
