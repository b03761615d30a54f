package keel.core.failure;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import keel.core.diagnosis.Odds;
import keel.core.failure.Closing.Lacks;
import keel.core.failure.Closing.Terms;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.KnowledgeFiles;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Common practice: a cause counts as found only when it explains what was seen, something was done about it, and a
 * later good print came out on terms that would have shown it.
 */
class ClosingTest {

    private static final Instant FAILED = Instant.parse("2025-05-01T12:00:00Z");
    private static final Closing ANY = new Closing(Terms.ANY);
    private static final Knowledge KNOWLEDGE = KnowledgeFiles.shipped();
    private static final Odds ODDS = Odds.shipped(KNOWLEDGE);

    private final Closing.Failed failed =
            new Closing.Failed(FAILED, 610, "Latch", "grey", Set.of("B2"), 0.8, 0.8, false, List.of(hours(2)));

    @Test
    void aLaterGoodPrintPastThePointOfFailureConfirms() {
        assertThat(ANY.lacks(failed, List.of(good(3, 900)))).isEqualTo(Lacks.NOTHING);
        assertThat(ANY.lacks(failed, List.of(good(3, 609)))).isEqualTo(Lacks.PRINT);
        assertThat(ANY.lacks(failed, List.of(good(-1, 900)))).isEqualTo(Lacks.PRINT);
        assertThat(ANY.lacks(failed, List.of())).isEqualTo(Lacks.PRINT);
    }

    @Test
    void whatIsMendedAfterThePrintWasNotProvenByIt() {
        assertThat(ANY.lacks(failed, List.of(good(1, 900)))).isEqualTo(Lacks.PRINT);
    }

    @Test
    void whatExplainsNothingStaysPresumedWhateverPrintsAfter() {
        Closing.Failed aside = judged(0.24, 0.49, true, List.of(hours(2)));
        assertThat(ANY.lacks(aside, List.of(good(3, 900)))).isEqualTo(Lacks.EXPLANATION);
        assertThat(ANY.lacks(judged(0.25, 0, true, List.of()), List.of(good(3, 900))))
                .isEqualTo(Lacks.NOTHING);
        assertThat(ANY.lacks(judged(0, 0.5, true, List.of()), List.of(good(3, 900))))
                .isEqualTo(Lacks.NOTHING);
    }

    @Test
    void nothingDoneAndNothingFoundIsNotMended() {
        assertThat(ANY.lacks(judged(0.9, 0.9, false, List.of()), List.of(good(3, 900))))
                .isEqualTo(Lacks.REMEDY);
    }

    @Test
    void whereNobodyKnowsTheLayerAnyLengthWillDo() {
        Closing.Failed somewhere = new Closing.Failed(FAILED, null, null, null, Set.of(), 0.8, 0.8, true, List.of());
        assertThat(ANY.lacks(somewhere, List.of(good(0, 10)))).isEqualTo(Lacks.NOTHING);
    }

    @Test
    void aJobIsProvenByThatJobOnly() {
        Closing job = new Closing(Terms.SAME_JOB);
        assertThat(job.lacks(failed, List.of(new Closing.Good(hours(3), 900, "Hinge", "grey", null))))
                .isEqualTo(Lacks.PRINT);
        assertThat(job.lacks(failed, List.of(new Closing.Good(hours(3), 900, "LATCH", "white", null))))
                .isEqualTo(Lacks.NOTHING);
    }

    @Test
    void aSettingIsProvenByTheSameResinOnly() {
        Closing setting = new Closing(Terms.SAME_RESIN);
        assertThat(setting.lacks(failed, List.of(new Closing.Good(hours(3), 900, "Latch", "white", null))))
                .isEqualTo(Lacks.PRINT);
        assertThat(setting.lacks(failed, List.of(new Closing.Good(hours(3), 900, "Latch", null, null))))
                .as("unknown is not the same")
                .isEqualTo(Lacks.PRINT);
        assertThat(setting.lacks(failed, List.of(new Closing.Good(hours(3), 900, "Hinge", "grey", null))))
                .isEqualTo(Lacks.NOTHING);
    }

    @Test
    void aPlaceIsProvenByWhatCoveredItOrByThreeOfWhichNobodySaid() {
        Closing place = new Closing(Terms.SAME_PLACE);
        assertThat(place.lacks(failed, Collections.nCopies(9, covering("E4")))).isEqualTo(Lacks.PRINT);
        assertThat(place.lacks(failed, List.of(covering("E4"), covering("B2")))).isEqualTo(Lacks.NOTHING);
        assertThat(place.lacks(failed, Collections.nCopies(2, good(3, 900)))).isEqualTo(Lacks.PRINT);
        assertThat(place.lacks(failed, Collections.nCopies(3, good(3, 900)))).isEqualTo(Lacks.NOTHING);
    }

    @Test
    void aMachineIsWatchedUntilFivePrintsCameOutAndNeverForTheJob() {
        assertThat(ANY.watched(failed, Collections.nCopies(4, good(3, 10)))).isTrue();
        assertThat(ANY.watched(failed, Collections.nCopies(5, good(3, 10)))).isFalse();
        assertThat(ANY.watched(failed, Collections.nCopies(9, good(-1, 900)))).isTrue();
        assertThat(new Closing(Terms.SAME_JOB).watched(failed, List.of())).isFalse();
    }

    @Test
    void aVerdictThatWasNeverJudgedGoesByTheGoodPrintAlone() {
        Closing.Failed old = new Closing.Failed(FAILED, 610, "Latch", null, Set.of(), null, 0, false, List.of());
        assertThat(ANY.lacks(old, List.of(good(1, 900)))).isEqualTo(Lacks.NOTHING);
    }

    @ParameterizedTest
    @CsvSource({
        "supports-weak, SAME_JOB",
        "wash-short, SAME_JOB",
        "screen-dark-pixels, SAME_PLACE",
        "debris-on-film, SAME_PLACE",
        "exposure-short, SAME_RESIN",
        "resin-cold, ANY",
        "z-dry, ANY",
        "film-worn, ANY"
    })
    void whatAPrintMustShareFollowsFromTheCause(String cause, Terms terms) {
        assertThat(Closing.of(KNOWLEDGE.cause(cause).orElseThrow(), ODDS.job(), ODDS.placed())
                        .terms())
                .isEqualTo(terms);
    }

    private Closing.Failed judged(double began, double explains, boolean checked, List<Instant> mended) {
        return new Closing.Failed(FAILED, 610, "Latch", "grey", Set.of("B2"), began, explains, checked, mended);
    }

    private static Closing.Good good(int hoursLater, int layers) {
        return new Closing.Good(hours(hoursLater), layers, "Latch", "grey", null);
    }

    private static Closing.Good covering(String zone) {
        return new Closing.Good(hours(3), 900, "Latch", "grey", Set.of(zone));
    }

    private static Instant hours(int later) {
        return FAILED.plusSeconds(3600L * later);
    }
}
