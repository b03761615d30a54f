package keel.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import keel.core.knowledge.KnowledgeFiles;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a good keeper would say of such cases; common practice in the trade, no published source. */
class PracticeTest {

    private final Diagnostician diagnostician =
            new Diagnostician(KnowledgeFiles.shipped(), Odds.shipped(KnowledgeFiles.shipped()));

    @ParameterizedTest(name = "{0}, not {1}, {2}, {3}: {4}")
    @CsvSource(
            nullValues = "-",
            value = {
                "wet-under-vat region-bare, -, -, -, film-pierced",
                "wet-under-vat, region-bare, vat-handled, leak-check=spill, spill",
                "grinding z-lines, -, -, -, z-dry",
                "z-lines, grinding, temperature-swings, -, room-unsteady",
                "ends-early, -, margin-small, -, resin-short",
                "ends-early, -, stopped-by-hand, -, stopped-early",
                "ends-early, -, -, resin-level, stopped-early",
                "nothing-cured, -, machine-moved, -, screen-blank",
                "nothing-cured, -, light-old, -, light-dead",
                "crunch hole-through, -, print-not-cleared, -, print-left-on",
                "hole-through, -, crunch-not-inspected, screen-test, screen-dark-pixels",
                "thin-columns, -, -, -, screen-lit-pixels",
                "steps-one-axis, -, quirk-smoothing-axis, -, smoothing-one-axis",
                "loose-flakes, -, quirk-grey-rows, -, data-glitch",
                "solid-slab media-not-read, -, -, -, medium-bad",
                "solid-slab, -, -, -, file-corrupt",
                "tacky smoky-colour, -, other-resin-added, -, resin-mixed",
                "smoky-colour, -, resin-idle, -, resin-settled",
                "burst-wall weeping, -, -, -, no-drain",
                "burst-wall, weeping, heavy-or-hollow-part, -, wall-thin",
                "part-missing bits-in-vat, -, last-failed-not-cleaned, -, debris-on-film",
                "layer-split part-missing vat-rides-up, -, -, -, vat-bolts-loose",
                "layer-split part-missing, -, vat-handled film-changed, -, vat-bolts-loose",
                "layer-split part-missing, -, resin-cold, -, resin-cold",
                "part-missing layer-split soft-detail, -, first-runs-of-resin, -, uncalibrated",
                "part-missing layer-shift base-lifting, -, random-places, -, machine-rocks",
                "base-lifting, -, plate-handled, -, plate-tilted",
                "base-lifting, -, plate-handled, level-check, plate-smooth",
                "bare-plate, -, profile-changed bottom-exposure-lowered, -, base-exposure-short",
                "model-torn-off overhang-droop, -, -, -, supports-weak",
                "white-bloom, -, -, -, dried-short"
            })
    void theCauseThatAGoodKeeperWouldName(String seen, String absent, String history, String checks, String cause) {
        assertThat(first(seen, absent, history, checks)).isEqualTo(cause);
    }

    @ParameterizedTest(name = "{0}, {1}, {2} cleared: no longer {3}")
    @CsvSource(
            nullValues = "-",
            value = {
                "film-slack layer-split, -, tap-film, film-slack",
                "layer-split part-missing vat-rides-up, -, vat-bolts, vat-bolts-loose",
                "part-missing film-cloudy layer-split, -, compare-film, film-worn",
                "layer-split part-missing, resin-cold, resin-temp, resin-cold",
                "tacky, -, wash-log, wash-short",
                "model-torn-off, -, page-file, supports-weak",
                "wrong-size soft-detail, -, measure-cube, scale-uncorrected",
                "pitted-face, no-tilt, page-file, flat-orientation",
                "wet-under-vat, -, leak-check, film-pierced"
            })
    void aClearedCheckOverturnsWhatSeemedPlain(String seen, String history, String check, String cause) {
        assertThat(first(seen, null, history, check)).isNotEqualTo(cause);
    }

    @ParameterizedTest(name = "{0} without {1}")
    @CsvSource({
        "part-missing, film-cloudy, film-worn",
        "part-missing, bits-in-vat, debris-on-film",
        "layer-split part-missing, vat-rides-up, vat-bolts-loose",
        "z-lines, grinding, z-dry",
        "region-bare, wet-under-vat, film-pierced",
        "base-lifting, squashed-base, plate-tilted"
    })
    void whatACauseAlwaysShowsAndWasNotThereCountsAgainstIt(String seen, String absent, String cause) {
        assertThat(share(seen, absent, cause)).isLessThan(share(seen, null, cause));
    }

    private String first(String seen, String absent, String history, String checks) {
        Diagnosis d = diagnose(seen, absent, history, checks);
        assertThat(diagnostician.ranking(evidence(seen, absent, history, checks)))
                .containsExactlyElementsOf(
                        d.causes().stream().map(Diagnosis.Suspect::code).toList());
        return d.causes().get(0).code();
    }

    private double share(String seen, String absent, String cause) {
        return diagnose(seen, absent, null, null).causes().stream()
                .filter(c -> c.code().equals(cause))
                .findFirst()
                .orElseThrow()
                .probability();
    }

    private Diagnosis diagnose(String seen, String absent, String history, String checks) {
        return diagnostician.diagnose(evidence(seen, absent, history, checks));
    }

    private static Evidence evidence(String seen, String absent, String history, String checks) {
        List<Evidence.Done> done = words(checks).stream()
                .map(c -> c.split("="))
                .map(c -> new Evidence.Done(c[0], c.length > 1 ? List.of(c[1]) : List.of()))
                .toList();
        return new Evidence(words(seen), words(absent), done, words(history));
    }

    private static Set<String> words(String text) {
        return text == null ? Set.of() : new LinkedHashSet<>(Arrays.asList(text.split(" ")));
    }
}
