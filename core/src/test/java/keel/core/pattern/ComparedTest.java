package keel.core.pattern;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ComparedTest {

    private final List<Told> prints = new ArrayList<>();

    private void print(int times, int failed, String machine, String resin) {
        for (int i = 0; i < times; i++) {
            prints.add(new Told(
                    prints.size(), Instant.EPOCH, i < failed, Map.of(Trait.MACHINE, machine, Trait.RESIN, resin)));
        }
    }

    private Compared compared() {
        return Compared.of(
                prints,
                t -> "egret".equals(t.is(Trait.MACHINE)),
                t -> "fulmar".equals(t.is(Trait.MACHINE)),
                Trait.RESIN);
    }

    /** Newcombe 1998, table II, row a, method 10: 56/70 and 48/80, difference 0.2, 0.0524 to 0.3339. */
    @Test
    void theDifferenceHasItsPublishedInterval() {
        print(70, 56, "egret", "grey");
        print(80, 48, "fulmar", "grey");
        Compared c = compared();
        assertThat(c.more().difference()).isCloseTo(0.2, within(1e-9));
        assertThat(c.more().low()).isCloseTo(0.0524, within(5e-5));
        assertThat(c.more().high()).isCloseTo(0.3339, within(5e-5));
        assertThat(c.says()).isEqualTo(Compared.Says.FIRST_FAILS_MORE);
        assertThat(c.missing()).isEmpty();
    }

    /** Simpson's reversal: the difference is that of what is printed. */
    @Test
    void whatFailsMoreOnlyBecauseOfWhatItPrintsIsNotBlamed() {
        print(20, 1, "egret", "grey");
        print(80, 32, "egret", "clear");
        print(80, 4, "fulmar", "grey");
        print(20, 8, "fulmar", "clear");
        Compared c = compared();
        assertThat(c.more().low()).isPositive();
        assertThat(c.comparesAlike()).isTrue();
        assertThat(c.says()).isEqualTo(Compared.Says.NOT_AMONG_ALIKE);
    }

    @Test
    void whatHasNoLikeElsewhereStandsAsItIsAndSaysSo() {
        print(40, 20, "egret", "clear");
        print(40, 2, "fulmar", "grey");
        Compared c = compared();
        assertThat(c.comparesAlike()).isFalse();
        assertThat(c.says()).isEqualTo(Compared.Says.FIRST_FAILS_MORE);
    }

    @Test
    void fewPrintsTellNothingAndHowManyWouldIsSaid() {
        print(8, 2, "egret", "grey");
        print(9, 1, "fulmar", "grey");
        Compared c = compared();
        assertThat(c.says()).isEqualTo(Compared.Says.CANNOT_TELL);
        assertThat(c.missing().orElseThrow()).isEqualTo(2 * c.toTell().orElseThrow() - 17);
    }

    @Test
    void equalSharesAreAlikeHoweverManyPrintsThereAre() {
        print(10, 1, "egret", "grey");
        print(20, 2, "fulmar", "grey");
        assertThat(compared().says()).isEqualTo(Compared.Says.CANNOT_TELL);
        assertThat(compared().missing()).isEmpty();
    }

    @Test
    void oneWithoutPrintsIsNoComparison() {
        print(10, 1, "egret", "grey");
        assertThat(compared().says()).isEqualTo(Compared.Says.NOTHING);
        assertThat(compared().more()).isNull();
    }

    @Test
    void aPrintOfBothCountsWithNeither() {
        print(10, 1, "egret", "grey");
        Compared c = Compared.of(prints, t -> true, t -> "egret".equals(t.is(Trait.MACHINE)), Trait.RESIN);
        assertThat(c.first().prints()).isZero();
    }
}
