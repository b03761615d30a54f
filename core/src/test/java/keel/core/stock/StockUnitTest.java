package keel.core.stock;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StockUnitTest {

    @ParameterizedTest
    @CsvSource({"litres, 1000", "L, 1000", "Liter, 1000", "ml, 1", " Millilitres , 1"})
    void volumesAreKnownByTheirName(String word, double ml) {
        assertThat(StockUnit.millilitresIn(word)).contains(ml);
    }

    @ParameterizedTest
    @CsvSource({"lids", "large boxes", "m", "pieces", "bottles of a litre"})
    void aWordThatBeginsLikeAVolumeIsNone(String word) {
        assertThat(StockUnit.millilitresIn(word)).isEmpty();
    }

    @Test
    void everyWordNamesItself() {
        assertThat(StockUnit.words())
                .allSatisfy(
                        w -> assertThat(StockUnit.of(w).orElseThrow().word()).isEqualTo(w));
    }
}
