package keel.core.standing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The figures are common practice, no source; the sums by hand. */
class ChangeCostsTest {

    @Test
    void linesAddUp() {
        Defaults d = Defaults.shipped()
                .with(Map.of(
                        "labour.perHour",
                        12.0,
                        "film.price",
                        6.0,
                        "film.changeMinutes",
                        40.0,
                        "film.consumables",
                        2.0,
                        "film.lostResin",
                        9.0,
                        "film.cleanMinutes",
                        30.0,
                        "film.lostHours",
                        5.0,
                        "machine.hourValue",
                        4.0,
                        "film.screenShare",
                        0.0));
        ChangeCosts costs = ChangeCosts.of(d, PartUse.UsedPart.FILM);
        assertThat(costs.plannedCost()).as("6 + 40 min at 12 + 2").isCloseTo(16, within(1e-9));
        assertThat(costs.failureCost()).as("and 9 + 30 min at 12 + 5 h at 4").isCloseTo(16 + 9 + 6 + 20, within(1e-9));
        assertThat(costs.endCost(3, 5))
                .as("three of five in a print, and two that are thought of")
                .isCloseTo(16 + 5 / 7.0 * 35, within(1e-9));
        assertThat(costs.endCost(0, 0)).isCloseTo(costs.failureCost(), within(1e-9));
    }

    @Test
    void aFilmThatGoesPutsTheScreenAtRisk() {
        Defaults d = Defaults.shipped();
        double with = ChangeCosts.of(d, PartUse.UsedPart.FILM).failureCost();
        double without = ChangeCosts.of(d.with(Map.of("film.screenShare", 0.0)), PartUse.UsedPart.FILM)
                .failureCost();
        assertThat(with - without)
                .isCloseTo(
                        d.value("film.screenShare")
                                * ChangeCosts.of(d, PartUse.UsedPart.SCREEN).plannedCost(),
                        within(1e-9));
    }

    @ParameterizedTest
    @EnumSource(
            value = PartUse.UsedPart.class,
            names = {"FILM", "TANK", "SCREEN"})
    void everyLineNamesFiguresThatThereAre(PartUse.UsedPart kind) {
        ChangeCosts costs = ChangeCosts.of(Defaults.shipped(), kind);
        assertThat(costs.failureCost()).isGreaterThan(costs.plannedCost());
        assertThat(costs.planned()).allSatisfy(l -> assertThat(l.figures())
                .allSatisfy(f -> assertThat(Defaults.shipped().value(f)).isNotNegative()));
        assertThat(costs.besides()).allSatisfy(l -> assertThat(l.figures())
                .allSatisfy(f -> assertThat(Defaults.shipped().value(f)).isNotNegative()));
    }
}
