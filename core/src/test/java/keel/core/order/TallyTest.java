package keel.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import keel.core.run.Outcome;
import org.junit.jupiter.api.Test;

/** Pieces are counted by hand beside it: every piece that was put on a plate is in one place only. */
class TallyTest {

    @Test
    void countsWhatCameOutOnceThroughFailuresAndReprints() {
        List<OfOnePart> prints = new ArrayList<>();
        assertThat(Tally.of(11, prints).still()).isEqualTo(11);

        prints.add(new OfOnePart(6, null, null));
        assertThat(Tally.of(11, prints)).isEqualTo(new Tally(11, 0, 6, 0));
        assertThat(Tally.of(11, prints).still()).isEqualTo(5);

        prints.set(0, new OfOnePart(6, 4, Outcome.PARTIAL));
        assertThat(Tally.of(11, prints).still()).isEqualTo(7);

        prints.add(new OfOnePart(7, null, Outcome.FAILED));
        assertThat(Tally.of(11, prints).still()).isEqualTo(7);

        prints.add(new OfOnePart(7, null, Outcome.GOOD));
        Tally whole = Tally.of(11, prints);
        assertThat(whole).isEqualTo(new Tally(11, 11, 0, 0));
        assertThat(whole.complete()).isTrue();
    }

    @Test
    void whatNobodyCountedIsNeitherDoneNorWantedAgain() {
        Tally tally = Tally.of(10, List.of(new OfOnePart(6, null, Outcome.PARTIAL)));

        assertThat(tally.done()).isZero();
        assertThat(tally.unsure()).isEqualTo(6);
        assertThat(tally.still()).isEqualTo(4);
        assertThat(tally.complete()).isFalse();
    }

    @Test
    void whatWasCountedOutweighsHowThePrintEnded() {
        assertThat(Tally.of(5, List.of(new OfOnePart(5, 2, Outcome.STOPPED))).done())
                .isEqualTo(2);
        assertThat(Tally.of(5, List.of(new OfOnePart(5, 3, Outcome.GOOD))).still())
                .isEqualTo(2);
        assertThat(Tally.of(5, List.of(new OfOnePart(5, null, Outcome.USABLE))).complete())
                .isTrue();
    }

    @Test
    void moreThanWantedIsNothingLessToPrint() {
        Tally tally = Tally.of(3, List.of(new OfOnePart(5, null, Outcome.GOOD)));

        assertThat(tally.still()).isZero();
        assertThat(tally.done()).isEqualTo(5);
    }

    @Test
    void everyPieceIsInOnePlace() {
        Random random = new Random(27);
        for (int round = 0; round < 500; round++) {
            List<OfOnePart> prints = new ArrayList<>();
            int put = 0;
            int lost = 0;
            for (int i = random.nextInt(6); i >= 0; i--) {
                int planned = 1 + random.nextInt(8);
                Outcome outcome = random.nextInt(4) == 0 ? null : Outcome.values()[random.nextInt(5)];
                Integer counted = outcome != null && random.nextBoolean() ? random.nextInt(planned + 1) : null;
                prints.add(new OfOnePart(planned, counted, outcome));
                put += planned;
                lost += outcome == null
                        ? 0
                        : counted != null
                                ? planned - counted
                                : outcome == Outcome.FAILED || outcome == Outcome.STOPPED ? planned : 0;
            }
            Tally tally = Tally.of(1000, prints);

            assertThat(tally.done() + tally.onPlates() + lost).isEqualTo(put);
            assertThat(tally.still() + tally.done() + tally.onPlates()).isEqualTo(1000);
        }
    }

    @Test
    void refusesMoreThanLayOnThePlate() {
        assertThatThrownBy(() -> new OfOnePart(4, 5, Outcome.GOOD)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new OfOnePart(0, null, null)).isInstanceOf(IllegalArgumentException.class);
    }
}
