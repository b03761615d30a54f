package keel.core.watch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import keel.core.exposure.PrintTime;
import keel.core.watch.LookAdvice.Action;
import keel.core.watch.LookAdvice.Seen;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class WatchTest {

    private static final Instant START = Instant.parse("2025-03-03T08:00:00Z");

    /** 4 layers of 39 s, then 996 of 11.5 s: 156 s and 11 610 s. */
    private static final PrintTime.Settings JOB = new PrintTime.Settings(1000, 4, 0, 30, 2.5, 0, 0, 6, 60, 120, 0);

    @Property
    void theLayerAtTheEndOfALayerIsTheNextOne(@ForAll @IntRange(min = 0, max = 998) int done) {
        assertThat(PrintTime.layerAt(JOB, PrintTime.secondsThrough(JOB, done) + 0.001))
                .isEqualTo(done + 1);
    }

    @Test
    void thePrintIsWhereItsLayersSay() {
        Progress p = Progress.of(START, START.plusSeconds(156 + 1150), JOB, 0.05, 12.0);
        assertThat(p.layer()).isEqualTo(105);
        assertThat(p.heightMm()).isCloseTo(5.25, within(1e-9));
        assertThat(p.phase()).isEqualTo(Progress.Phase.NORMAL);
        assertThat(p.end()).isEqualTo(START.plusSeconds(11610));
        assertThat(p.clearLayer()).isEqualTo(240);
        assertThat(p.outOfResin()).isFalse();
        assertThat(p.shouldBe()).contains("layer 105").contains("before layer 240");
        assertThat(Progress.of(START, START.plusSeconds(60), JOB, 0.05, 12.0).phase())
                .isEqualTo(Progress.Phase.BOTTOM);
        assertThat(Progress.of(START, START.plus(Duration.ofDays(2)), JOB, 0.05, 12.0)
                        .layer())
                .isEqualTo(1000);
    }

    @Test
    void aFlatPrintNeverStandsOutOfTheResin() {
        Progress p = Progress.of(START, START.plusSeconds(5000), JOB, 0.05, 60.0);
        assertThat(p.clearLayer()).isNull();
        assertThat(p.outOfResin()).isNull();
        assertThat(Progress.of(START, START, JOB, null, null).heightMm()).isNull();
    }

    @Test
    void thereIsALookWhenTheFirstLayersAreDoneWhenItClearsAndInBetween() {
        List<LookIn> looks = new LookInPlan(1, 6).of(START, JOB, 240, 0);
        assertThat(looks)
                .extracting(LookIn::kind)
                .containsExactly(
                        LookIn.LookKind.FIRST_LAYERS,
                        LookIn.LookKind.CLEARS_RESIN,
                        LookIn.LookKind.INTERVAL); // the one at 1 h is 12 minutes after the second
        assertThat(looks.get(0).due()).isEqualTo(START.plusSeconds(156));
        assertThat(looks.get(1).due()).isEqualTo(START.plusSeconds(156 + 236 * 23 / 2));
        assertThat(looks.get(2).due()).isEqualTo(START.plus(Duration.ofHours(2)));
    }

    @Test
    void aStreakOfGoodPrintsAsksForMoreLooksNotFewer() {
        LookInPlan plan = new LookInPlan(1, 6);
        assertThat(plan.of(START, JOB, 240, 6))
                .hasSizeGreaterThan(plan.of(START, JOB, 240, 5).size());
        assertThat(plan.intervalHours(6)).isEqualTo(0.5);
        assertThat(new LookInPlan(0, 6).of(START, JOB, null, 20)).hasSize(1);
    }

    @Property
    void looksAreApartAndBeforeTheEnd(
            @ForAll @IntRange(min = 1, max = 6000) int layers,
            @ForAll @IntRange(min = 1, max = 400) int clear,
            @ForAll @IntRange(min = 0, max = 9) int streak) {
        PrintTime.Settings job = new PrintTime.Settings(layers, Math.min(4, layers), 0, 30, 2.5, 0, 0, 6, 60, 120, 0);
        List<LookIn> looks = new LookInPlan(0.7, 6).of(START, job, clear, streak);
        assertThat(looks).isNotEmpty();
        for (int i = 1; i < looks.size(); i++) {
            assertThat(Duration.between(looks.get(i - 1).due(), looks.get(i).due()))
                    .isGreaterThanOrEqualTo(Duration.ofMinutes(20));
        }
        assertThat(looks.get(looks.size() - 1).due())
                .isBeforeOrEqualTo(
                        START.plusMillis(Math.round(1000 * PrintTime.of(job).seconds())));
    }

    /** Common practice: one failed part of several runs on unless something is loose; nothing is stopped on a hunch. */
    @Test
    void whatIsSeenDecides() {
        assertThat(LookAdvice.of(Seen.AS_IT_SHOULD, false, true).action()).isEqualTo(Action.RUN_ON);
        assertThat(LookAdvice.of(Seen.ONE_PART_FAILED, false, true).action()).isEqualTo(Action.RUN_ON);
        assertThat(LookAdvice.of(Seen.ONE_PART_FAILED, true, true).action()).isEqualTo(Action.STOP);
        assertThat(LookAdvice.of(Seen.SLAB, false, null).action()).isEqualTo(Action.STOP);
        assertThat(LookAdvice.of(Seen.NOTHING, false, true).action()).isEqualTo(Action.STOP);
        assertThat(LookAdvice.of(Seen.NOTHING, false, false).action()).isEqualTo(Action.COMPARE);
        assertThat(LookAdvice.of(Seen.OTHER_PICTURE, false, true).action()).isEqualTo(Action.COMPARE);
        assertThat(LookAdvice.of(Seen.CANNOT_TELL, false, null).action()).isEqualTo(Action.RUN_ON);
    }
}
