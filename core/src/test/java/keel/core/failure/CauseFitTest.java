package keel.core.failure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.KnowledgeFiles;
import org.junit.jupiter.api.Test;

/** Expected orders are common practice in the trade, no published source; the arithmetic is Bayes' rule. */
class CauseFitTest {

    private final Knowledge knowledge = KnowledgeFiles.shipped();
    private final CauseFit fit = new CauseFit(knowledge);

    @Test
    void withoutSymptomsTheSharesAreTheStartingOdds() {
        double total = knowledge.causes().stream().mapToDouble(c -> c.weight()).sum();
        assertThat(fit.order(Set.of(), Set.of())).allSatisfy(f -> assertThat(f.share()).isCloseTo(f.cause().weight() / total, within(1e-12)));
    }

    @Test
    void sharesSumToOneWhateverWasSeen() {
        assertThat(fit.order(Set.of("bare-plate", "wet-under-vat"), Set.of("bits-in-vat")).stream().mapToDouble(CauseFit.Fit::share).sum())
                .isCloseTo(1, within(1e-12));
    }

    @Test
    void aVatThatRidesUpPointsToItsBolts() {
        CauseFit.Fit first = fit.order(Set.of("vat-rides-up", "layer-split"), Set.of()).get(0);
        assertThat(first.cause().code()).isEqualTo("vat-bolts-loose");
        assertThat(first.speaksFor()).containsExactly("Layers split", "Vat rides up");
    }

    @Test
    void anAbsentSymptomThatACauseAlmostAlwaysShowsSpeaksAgainstIt() {
        double before = shareOf("debris-on-film", fit.order(Set.of("part-missing"), Set.of()));
        double after = shareOf("debris-on-film", fit.order(Set.of("part-missing"), Set.of("bits-in-vat")));
        assertThat(after).isLessThan(before / 3);
    }

    private static double shareOf(String cause, List<CauseFit.Fit> fits) {
        return fits.stream().filter(f -> f.cause().code().equals(cause)).findFirst().orElseThrow().share();
    }
}
