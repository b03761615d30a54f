package keel.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.core.CheckedYaml;
import keel.core.Findings;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.KnowledgeFiles;
import keel.core.knowledge.Symptom;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;

/** What a good diagnostician never forgets. Facts of the trade are common practice, no source. */
class DiagnosticianTest {

    private static final Knowledge KNOWLEDGE = KnowledgeFiles.shipped();
    private static final Odds ODDS = Odds.shipped(KNOWLEDGE);
    private static final Diagnostician DIAGNOSTICIAN = new Diagnostician(KNOWLEDGE, ODDS);

    @Test
    void theObviousIsFoundFirst() {
        assertThat(first(seen("vat-rides-up", "part-missing"))).isEqualTo("vat-bolts-loose");
        assertThat(first(seen("supports-fused"))).isEqualTo("supports-too-close");
        assertThat(first(seen("white-bloom"))).isEqualTo("dried-short");
        assertThat(first(seen("grinding", "z-lines"))).isEqualTo("z-dry");
        assertThat(first(seen("thin-columns"))).isEqualTo("screen-lit-pixels");
    }

    /** Bits in the vat point to debris; two careful looks that find none must say otherwise. */
    @Test
    void aClearedCheckOverturnsAStrongSymptom() {
        Evidence bits = seen("bits-in-vat", "part-missing");
        assertThat(first(bits)).isEqualTo("debris-on-film");
        Evidence cleared =
                bits.and(new Evidence.Done("feel-vat", List.of())).and(new Evidence.Done("stir-look", List.of()));
        assertThat(p(cleared, "debris-on-film")).isLessThan(p(bits, "debris-on-film") / 4);
        assertThat(first(cleared)).isNotEqualTo("debris-on-film");
    }

    @Test
    void anAbsentSymptomThatACauseAlmostAlwaysShowsCountsAgainstIt() {
        Evidence without =
                new Evidence(Set.of("part-missing", "layer-split"), Set.of("vat-rides-up"), List.of(), Set.of());
        assertThat(p(without, "vat-bolts-loose")).isLessThan(p(seen("part-missing", "layer-split"), "vat-bolts-loose"));
        assertThat(weight(without, "vat-bolts-loose", "symptom:vat-rides-up")).isLessThan(-5);
        assertThat(weight(without, "supports-weak", "symptom:vat-rides-up")).isBetween(0.0, 1.0);
    }

    @Test
    void theMachinesHistoryChangesTheOdds() {
        Evidence plain = seen("layer-split", "part-missing");
        Evidence cold = new Evidence(plain.symptoms(), Set.of(), List.of(), Set.of("resin-cold"));
        assertThat(first(cold)).isEqualTo("resin-cold");
        assertThat(p(cold, "resin-cold")).isGreaterThan(3 * p(plain, "resin-cold"));
        assertThat(weight(cold, "resin-cold", "history:resin-cold")).isBetween(8.0, 9.1);
    }

    @Test
    void aCheckThatFindsTheCauseSettlesIt() {
        Diagnosis d = DIAGNOSTICIAN.diagnose(
                seen("wet-under-vat", "region-bare").and(new Evidence.Done("leak-check", List.of("film-pierced"))));
        assertThat(d.causes().get(0).code()).isEqualTo("film-pierced");
        assertThat(d.causes().get(0).evidence().get(0).fact()).isIn("check:leak-check", "symptom:wet-under-vat");
        assertThat(d.pairs().get(0).causes()).containsExactly("film-pierced", "resin-on-screen");
    }

    /** After a crush a screen test clears the screen less than otherwise. */
    @Test
    void aScreenTestAfterACrunchClearsLess() {
        Evidence.Done fine = new Evidence.Done("screen-test", List.of());
        double usual = weight(seen("hole-through").and(fine), "screen-dark-pixels", "check:screen-test");
        double crushed = weight(seen("hole-through", "crunch").and(fine), "screen-dark-pixels", "check:screen-test");
        assertThat(usual).isLessThan(-9);
        assertThat(crushed).isBetween(-7.0, -3.0);
    }

    @Test
    void nothingIsPrintedBeforeTheVatIsKnownToBeClean() {
        Evidence seen = seen("part-missing");
        assertThat(codes(seen)).doesNotContain("known-good", "move-job", "axis-piece");
        assertThat(DIAGNOSTICIAN.diagnose(seen).alsoLookAt())
                .extracting(Diagnosis.AlsoLookAt::code)
                .contains("debris-on-film");
        Evidence felt = seen.and(new Evidence.Done("feel-vat", List.of()));
        assertThat(codes(felt)).doesNotContain("known-good", "feel-vat");
        assertThat(codes(felt.and(new Evidence.Done("look-under-vat", List.of("spill")))))
                .as("not clean")
                .doesNotContain("known-good");
    }

    /** A dry paper clears the film and leaves the splash; recomputed by enumeration: 0.67. */
    @Test
    void aDryPaperLeavesTheSplash() {
        Evidence dry = new Evidence(
                Set.of("wet-under-vat"),
                Set.of(),
                List.of(new Evidence.Done("leak-check", List.of())),
                Set.of("vat-handled"));
        assertThat(first(dry)).isEqualTo("spill");
        assertThat(p(dry, "spill")).isCloseTo(0.67, within(0.005));
        assertThat(p(dry, "film-pierced")).isLessThan(0.15);
    }

    /** What was left on the plate began it; the screen that it broke is there too, and is looked for. */
    @Test
    void aCrushIsOneCauseWithItsHarm() {
        Diagnosis d = DIAGNOSTICIAN.diagnose(seen("crunch", "region-bare", "hole-through"));
        assertThat(d.causes().get(0).code()).isEqualTo("print-left-on");
        assertThat(d.causes().get(0).probability()).isGreaterThan(0.9);
        assertThat(present(d, "screen-dark-pixels")).isCloseTo(0.83, within(0.005));
        assertThat(d.alsoLookAt())
                .extracting(Diagnosis.AlsoLookAt::code)
                .contains("screen-dark-pixels", "film-pierced");
        assertThat(d.enough()).isFalse();
        Evidence shown = seen("crunch", "region-bare", "hole-through")
                .and(new Evidence.Done("look-under-vat", List.of()))
                .and(new Evidence.Done("feel-vat", List.of()))
                .and(new Evidence.Done("screen-test", List.of()));
        assertThat(DIAGNOSTICIAN.diagnose(shown).alsoLookAt())
                .as("the screen's own test does not clear one that was crushed")
                .extracting(Diagnosis.AlsoLookAt::code)
                .containsExactly("screen-dark-pixels");
    }

    /** A laser tank that leaks has no screen to be looked at. */
    @Test
    void nothingOfAScreenIsLookedForWhereThereIsNone() {
        Evidence leak = new Evidence(Set.of("wet-under-vat", "crunch"), Set.of(), List.of(), Set.of("no-screen"));
        assertThat(DIAGNOSTICIAN.diagnose(leak).alsoLookAt())
                .extracting(Diagnosis.AlsoLookAt::code)
                .contains("film-pierced")
                .noneMatch(c -> c.contains("screen"));
    }

    /** A fact that makes likely what explains nothing that was seen changes nothing among what does. */
    @Test
    void whatExplainsNothingChangesNothing() {
        Evidence plain = seen("nothing-cured");
        Evidence washed = new Evidence(plain.symptoms(), Set.of(), List.of(), Set.of("wash-under-3-min"));
        for (String cause : new String[] {"light-dead", "screen-blank", "file-corrupt"}) {
            assertThat(p(washed, cause)).isCloseTo(p(plain, cause), within(1e-6));
        }
        assertThat(p(washed, "wash-short")).isZero();
        assertThat(codes(washed)).doesNotContain("wash-log");
    }

    /** Light cures what lies on the screen: nothing is lit before somebody saw it dry. */
    @Test
    void nothingIsLitWhileResinMayLieOnTheScreen() {
        Evidence wet = seen("wet-under-vat", "hole-through");
        Set<String> lights = Set.of("screen-test", "light-test", "uv-map", "dry-run");
        assertThat(codes(wet)).doesNotContainAnyElementsOf(lights);
        assertThat(codes(seen("crunch", "hole-through"))).doesNotContainAnyElementsOf(lights);
        assertThat(codes(seen("hole-through"))).contains("screen-test");
        assertThat(codes(seen("crunch", "hole-through").and(new Evidence.Done("look-under-vat", List.of()))))
                .contains("screen-test");
    }

    /** A look from beneath sees holes and resin, no pixels; the middle is not seen by corners. */
    @Test
    void aLookClearsOnlyWhatItCanSee() {
        Evidence hole = seen("hole-through");
        Evidence looked = hole.and(new Evidence.Done("look-under-vat", List.of()));
        assertThat(weightOrNone(looked, "screen-dark-pixels", "check:look-under-vat"))
                .isZero();
        assertThat(weight(looked, "film-pierced", "check:look-under-vat")).isLessThan(-9);
    }

    /** The same look again mostly copies its first answer: 45, then 1.8627; 0.10204, then 0.55556. Recomputed. */
    @Test
    void theSameLookAgainCountsLess() {
        assertThat(Looks.ratio(0.9, 0.02, 0)).isCloseTo(45, within(1e-9));
        assertThat(Looks.ratio(0.9, 0.02, 0.5)).isCloseTo(1.8627, within(5e-5));
        assertThat(Looks.ratio(0.1, 0.98, 0)).isCloseTo(0.10204, within(5e-6));
        assertThat(Looks.ratio(0.1, 0.98, 0.5)).isCloseTo(0.55556, within(5e-6));
        Evidence once = seen("part-missing").and(new Evidence.Done("rock-test", List.of("machine-rocks")));
        Evidence twice = once.and(new Evidence.Done("rock-test", List.of("machine-rocks")));
        Evidence taken = once.and(new Evidence.Done("rock-test", List.of()));
        assertThat(p(twice, "machine-rocks")).isGreaterThan(p(once, "machine-rocks"));
        assertThat(p(taken, "machine-rocks")).as("found, then not found").isLessThan(p(once, "machine-rocks"));
    }

    /** What the eye sees outweighs a date: a film that looks cloudy is none that is sound because it is new. */
    @Test
    void aCloudyFilmThatIsNewIsStillCloudy() {
        Evidence cloudy =
                new Evidence(Set.of("film-cloudy", "part-missing"), Set.of(), List.of(), Set.of("film-changed"));
        assertThat(first(cloudy)).isEqualTo("film-worn");
    }

    @Property(tries = 60)
    void theOrderOfFactsAndFactsSaidTwiceChangeNothing(@ForAll("symptoms") Set<String> symptoms) {
        List<String> there = symptoms.stream().sorted().toList();
        List<String> back = there.stream().sorted(Comparator.reverseOrder()).toList();
        Set<String> history = new LinkedHashSet<>(List.of("film-old", "plate-handled", "last-failed"));
        Set<String> turned = new LinkedHashSet<>(List.of("last-failed", "film-old", "plate-handled", "film-old"));
        Evidence one = new Evidence(new LinkedHashSet<>(there), Set.of(), List.of(), history);
        Evidence other = new Evidence(new LinkedHashSet<>(back), Set.of(), List.of(), turned);
        List<Diagnosis.Suspect> a = DIAGNOSTICIAN.diagnose(one).causes();
        Map<String, Double> b = DIAGNOSTICIAN.diagnose(other).causes().stream()
                .collect(Collectors.toMap(Diagnosis.Suspect::code, Diagnosis.Suspect::probability));
        a.forEach(s -> assertThat(b.get(s.code())).isCloseTo(s.probability(), within(1e-9)));
    }

    @Test
    void noFirstCheckIsOneThatHasNothingToDoWithWhatWasSeen() {
        long washing = KNOWLEDGE.symptoms().stream()
                .map(s -> codes(seen(s.code())))
                .filter(c -> !c.isEmpty() && c.get(0).equals("wash-log"))
                .count();
        assertThat(washing).as("tacky, brittle, soft at the most").isLessThanOrEqualTo(3);
    }

    @Test
    void theKnownGoodPieceTellsMachineFromJob() {
        Evidence seen = seen("model-torn-off", "part-missing");
        assertThat(p(seen.and(new Evidence.Done("known-good", List.of("JOB"))), "supports-weak"))
                .isGreaterThan(p(seen, "supports-weak"));
        assertThat(p(seen.and(new Evidence.Done("known-good", List.of("MACHINE"))), "supports-weak"))
                .isLessThan(0.3 * p(seen, "supports-weak"));
    }

    @Test
    void theShopsOwnClosedFailuresMoveTheOdds() {
        Diagnostician learned = new Diagnostician(KNOWLEDGE, ODDS, Map.of("machine-rocks", 40.0));
        double before = p(seen("part-missing"), "machine-rocks");
        double after = learned.diagnose(seen("part-missing")).causes().stream()
                .filter(c -> c.code().equals("machine-rocks"))
                .findFirst()
                .orElseThrow()
                .probability();
        assertThat(after).isGreaterThan(3 * before);
    }

    @Test
    void allAtOnceAndNothingAtAllAreAnsweredWithWhatToLookForFirst() {
        Diagnosis nothing = DIAGNOSTICIAN.diagnose(Evidence.NONE);
        assertThat(nothing.advice()).contains("Look at the plate");
        assertThat(nothing.enough()).isFalse();
        Evidence all = new Evidence(
                Set.copyOf(KNOWLEDGE.symptoms().stream().map(Symptom::code).toList()), Set.of(), List.of(), Set.of());
        assertThat(DIAGNOSTICIAN.diagnose(all).advice()).contains("feel the vat floor");
    }

    @Test
    void whatContradictsItselfOrIsUnknownIsNamed() {
        Findings findings = new Findings();
        new Evidence(
                        Set.of("crunch", "nonsense"),
                        Set.of("crunch"),
                        List.of(
                                new Evidence.Done("feel-vat", List.of("MACHINE")),
                                new Evidence.Done("guess", List.of())),
                        Set.of("full-moon"))
                .check(KNOWLEDGE, ODDS, findings);
        assertThat(findings.list())
                .extracting(f -> f.field())
                .containsExactlyInAnyOrder("symptoms", "absent", "checks", "checks", "history");
    }

    @Test
    void aFileThatNamesWhatIsNotThereIsRefused() {
        ObjectNode file = CheckedYaml.shipped("knowledge/odds").deepCopy();
        ((ObjectNode) file.get("findsOf")).put("gremlins", 0.1);
        assertThatThrownBy(() -> Odds.of(file, KNOWLEDGE)).hasMessageContaining("gremlins");
    }

    @Property(tries = 200)
    void probabilitiesSumToOneAndPairsShareWithThem(@ForAll("symptoms") Set<String> symptoms) {
        Diagnosis d = DIAGNOSTICIAN.diagnose(new Evidence(symptoms, Set.of(), List.of(), Set.of()));
        assertThat(d.causes().stream()
                        .mapToDouble(Diagnosis.Suspect::probability)
                        .sum())
                .isCloseTo(1, within(1e-9));
        assertThat(d.causes())
                .isSortedAccordingTo((a, b) -> Double.compare(b.probability(), a.probability()))
                .hasSize(KNOWLEDGE.causes().size());
        assertThat(d.pairs()).allSatisfy(p -> assertThat(p.probability()).isBetween(0.0, 1.0));
        assertThat(d.nextChecks())
                .allSatisfy(n -> assertThat(n.bits()).isBetween(0.0, 6.0))
                .isSortedAccordingTo((a, b) -> Double.compare(b.savesPerMinute(), a.savesPerMinute()))
                .allSatisfy(n -> assertThat(n.savesPerMinute()).isPositive());
    }

    @Provide
    Arbitrary<Set<String>> symptoms() {
        return Arbitraries.of(KNOWLEDGE.symptoms().stream().map(Symptom::code).toList())
                .set()
                .ofMaxSize(8);
    }

    private static Evidence seen(String... symptoms) {
        return new Evidence(Set.of(symptoms), Set.of(), List.of(), Set.of());
    }

    private static String first(Evidence evidence) {
        return DIAGNOSTICIAN.diagnose(evidence).causes().get(0).code();
    }

    private static double p(Evidence evidence, String cause) {
        return DIAGNOSTICIAN.diagnose(evidence).causes().stream()
                .filter(c -> c.code().equals(cause))
                .findFirst()
                .orElseThrow()
                .probability();
    }

    private static double present(Diagnosis d, String cause) {
        return d.causes().stream()
                .filter(c -> c.code().equals(cause))
                .findFirst()
                .orElseThrow()
                .present();
    }

    private static double weightOrNone(Evidence evidence, String cause, String fact) {
        return Math.abs(weight(evidence, cause, fact)) < 1e-9 ? 0 : weight(evidence, cause, fact);
    }

    private static double weight(Evidence evidence, String cause, String fact) {
        return DIAGNOSTICIAN.diagnose(evidence).causes().stream()
                .filter(c -> c.code().equals(cause))
                .findFirst()
                .orElseThrow()
                .evidence()
                .stream()
                .filter(w -> w.fact().equals(fact))
                .findFirst()
                .orElseThrow()
                .decibans();
    }

    private static List<String> codes(Evidence evidence) {
        return DIAGNOSTICIAN.diagnose(evidence).nextChecks().stream()
                .map(Diagnosis.NextCheck::code)
                .toList();
    }
}
