package keel.sim.shop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import keel.core.profile.Setting;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;
import keel.sim.chance.Chance;
import keel.sim.print.Job;
import keel.sim.story.Saltmarsh;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What the simulated people do changes what is true, and is written down as somebody would enter it. */
class PeopleAtWorkTest {

    private static final Parameters A = Parameters.shipped("shop-a");
    private static final Instant AT = Instant.parse("2025-06-02T07:15:00Z");

    private Machine machine;
    private Records records;
    private Hands hands;
    private Remedies remedies;

    @BeforeEach
    void aMachineWithPeople() {
        machine = new Machine(Saltmarsh.sites().get(0), A, Chance.of(21));
        machine.vat().pour("reed-grey", 200);
        records = new Records("avocet");
        hands = new Hands(machine, A, records, Chance.of(22), Plot.none());
        remedies = new Remedies(machine, hands, records);
    }

    @Test
    void everyServiceHasTheFieldsThatItMustHaveAndNoOthers() {
        List.of(
                        "plate-tilted",
                        "plate-smooth",
                        "plate-burr",
                        "machine-rocks",
                        "z-dry",
                        "vat-bolts-loose",
                        "film-worn",
                        "film-pierced",
                        "debris-on-film",
                        "spill",
                        "resin-mixed")
                .forEach(cause -> remedies.apply(cause, AT));
        hands.changeScreen(AT, "DARK_PIXELS", null);
        hands.clearPlate(AT, "operator", true);
        assertThat(kinds())
                .contains(
                        "LEVELLING",
                        "PLATE_WORK",
                        "STANCE_CHECKED",
                        "LUBRICATION",
                        "FILM_CHANGE",
                        "CLEAN_UP",
                        "VAT_INSPECTED",
                        "SCREEN_CHANGE");
        for (Happening.ServiceDone done : services()) {
            List<ServiceField> fields = ServiceKind.valueOf(done.kind()).fields();
            assertThat(fields.stream().filter(ServiceField::required).map(ServiceField::name))
                    .allSatisfy(f -> assertThat(done.values()).containsKey(f));
            assertThat(done.values().keySet())
                    .as(done.kind())
                    .isSubsetOf(fields.stream().map(ServiceField::name).toList());
        }
    }

    @Test
    void aTightenedVatHoldsAndAGreasedAxisRunsEvenWhenTheStoryHadThemForgotten() {
        machine.vat().leaveBoltsLoose();
        machine.handleVat(0);
        assertThat(machine.vat().boltsLoose())
                .as("forgotten bolts stay loose at every handling")
                .isTrue();
        remedies.apply("vat-bolts-loose", AT);
        machine.handleVat(0);
        assertThat(machine.vat().boltsLoose()).isFalse();
        remedies.apply("z-dry", AT);
        assertThat(machine.hoursSinceGreased()).isZero();
    }

    @Test
    void whoTakesTheGaugeLevelsUntilItIsGoodAndWritesDownWhatItShows() {
        double[] withGauge = IntStream.range(0, 60)
                .mapToDouble(i -> {
                    hands.level(AT, true);
                    return machine.plate().riseMm();
                })
                .toArray();
        double[] without = IntStream.range(0, 60)
                .mapToDouble(i -> {
                    hands.level(AT, false);
                    return machine.plate().riseMm();
                })
                .toArray();
        assertThat(IntStream.range(0, 60)
                        .mapToDouble(i -> withGauge[i])
                        .average()
                        .orElseThrow())
                .isLessThan(0.8
                        * IntStream.range(0, 60)
                                .mapToDouble(i -> without[i])
                                .average()
                                .orElseThrow());
        hands.level(AT, true);
        Happening.ServiceDone last = services().get(services().size() - 1);
        List<?> readings = (List<?>) last.values().get("readings");
        Map<?, ?> first = (Map<?, ?>) readings.get(0);
        double shown = (Double) first.get("zMm");
        assertThat(shown)
                .isCloseTo(machine.plate().gapMm((Double) first.get("xMm"), (Double) first.get("yMm")), within(0.05));
    }

    @Test
    void aNewFilmIsClearTightAndNotPierced() {
        machine.vat().film().wear(1e6, new int[] {30});
        assertThat(machine.vat().film().pierced()).isTrue();
        hands.changeFilm(AT, "PIERCED", null);
        assertThat(machine.vat().film().pierced()).isFalse();
        assertThat(machine.vat().film().hours()).isZero();
        assertThat(machine.vat().film().meanTransmittance())
                .isCloseTo(machine.vat().film().clearTransmittance(), within(1e-9));
    }

    @Test
    void aFilmThatTheStoryKeepsIsNotChangedForBlameButForAHole() {
        Plot keeps = new Plot(List.of(), AT.minusSeconds(60), Instant.MAX, Instant.MAX, true, Plot.Finale.NONE);
        Hands kept = new Hands(machine, A, records, Chance.of(23), keeps);
        kept.changeFilm(AT, "CLOUDED", null);
        assertThat(kinds()).doesNotContain("FILM_CHANGE");
        machine.vat().film().wear(1e6, new int[] {30});
        kept.changeFilm(AT, "PIERCED", null);
        assertThat(kinds()).contains("FILM_CHANGE");
    }

    @Test
    void settingsAreWrittenOnlyWhereTheyChange() {
        hands.set(AT, Map.of(Setting.EXPOSURE_S, machine.settings().get(Setting.EXPOSURE_S)), "the same again");
        hands.backToTheSheet(AT, "already there");
        assertThat(records.happenings()).isEmpty();
        remedies.apply("exposure-short", AT);
        assertThat(machine.settings().get(Setting.EXPOSURE_S)).isCloseTo(1.1 * 2.3, within(0.03));
        hands.backToTheSheet(AT, "it was not the light");
        assertThat(machine.settings()).isEqualTo(machine.sheet("reed-grey"));
        assertThat(records.happenings()).hasSize(2).allSatisfy(h -> assertThat(h)
                .isInstanceOf(Happening.ProfileChanged.class));
    }

    @Test
    void aFadedLightGetsLongerExposuresAndThenAnotherLight() {
        for (int i = 0; i < 6 && !kinds().contains("OFF"); i++) {
            remedies.apply("light-weak", AT);
        }
        assertThat(kinds()).containsSubsequence("OFF", "ON");
        assertThat(records.happenings())
                .filteredOn(Happening.ProfileChanged.class::isInstance)
                .hasSizeBetween(2, 4);
        assertThat(machine.light().uvHours()).isZero();
    }

    @Test
    void cleaningUpTakesTheBitsOutAndEmptyingEndsAMixture() {
        machine.vat().dropBits(1, new int[] {12});
        machine.vat().contaminate("cast-amber");
        hands.cleanUp(AT, "operator", false);
        assertThat(machine.vat().bits()).isLessThan(0.5);
        assertThat(machine.vat().mixedWith()).isEqualTo("cast-amber");
        remedies.apply("resin-mixed", AT);
        assertThat(machine.vat().mixedWith()).isNull();
        assertThat(machine.vat().resin()).isEqualTo("reed-grey");
        assertThat(machine.vat().ml()).isCloseTo(0.8 * machine.site().fillMl(), within(1.0));
    }

    @Test
    void whatIsPrintedAgainIsPutRightWhereTheCauseLayInIt() {
        Job job = new Job(
                "Leech model, large",
                List.of(new Job.JobPart(10, 10, 40, 40)),
                1000,
                0.3,
                0.6,
                0.9,
                0,
                0.8,
                true,
                false,
                true,
                true,
                false);
        assertThat(Remedies.corrected(job, "file-unchecked"))
                .satisfies(j -> assertThat(j.doubled() || j.islands()).isFalse());
        assertThat(Remedies.corrected(job, "supports-weak").supportStrength()).isGreaterThan(1);
        assertThat(Remedies.corrected(job, "no-drain"))
                .satisfies(j -> assertThat(j.drainHoles()).isEqualTo(2), j -> assertThat(j.wallMm())
                        .isGreaterThan(1.2));
        assertThat(Remedies.corrected(job, "flat-orientation"))
                .satisfies(j -> assertThat(j.flatShare()).isLessThan(0.3), j -> assertThat(j.layers())
                        .isGreaterThan(1000));
        assertThat(Remedies.corrected(job, "supports-too-close").supportsTooClose())
                .isFalse();
        assertThat(Remedies.corrected(job, "plate-tilted")).isEqualTo(job);
    }

    @Test
    void afterThreeFailuresInARowEverythingIsTriedAndHabitIsShortBeforeThat() {
        assertThat(Folk.checks(List.of("vat-rides-up"), true, 4, Chance.of(1))).containsExactly("vat-bolts");
        assertThat(Folk.checks(List.of("layer-split"), false, 3, Chance.of(1))).hasSize(3);
        assertThat(Folk.everything())
                .contains("vat-bolts", "light-test", "screen-test")
                .doesNotHaveDuplicates()
                .doesNotContain("known-good", "move-job");
    }

    private List<Happening.ServiceDone> services() {
        return records.happenings().stream()
                .filter(Happening.ServiceDone.class::isInstance)
                .map(Happening.ServiceDone.class::cast)
                .toList();
    }

    private List<String> kinds() {
        return services().stream().map(Happening.ServiceDone::kind).toList();
    }
}
