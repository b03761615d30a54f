package keel.core.life;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Censored data sets that R's survival package 3.5-3 ships, against what its own survreg and survfit say of them; the
 * files and where they come from lie in the folder survival.
 */
class SurvivalDataTest {

    /** What R says of a data set: Kaplan and Meier's estimate at the quarters of its times. */
    record Expected(
            String set,
            int parts,
            int ends,
            double shape,
            double scale,
            double logLikelihood,
            double km25,
            double km50,
            double km75) {}

    private static List<String> lines(String file) throws IOException {
        try (InputStream in = SurvivalDataTest.class.getResourceAsStream("/survival/" + file)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .skip(1)
                    .toList();
        }
    }

    static Stream<Expected> expected() throws IOException {
        return lines("expected.csv").stream()
                .map(l -> l.split(","))
                .map(c -> new Expected(
                        c[0],
                        Integer.parseInt(c[1]),
                        Integer.parseInt(c[2]),
                        Double.parseDouble(c[3]),
                        Double.parseDouble(c[4]),
                        Double.parseDouble(c[5]),
                        Double.parseDouble(c[6]),
                        Double.parseDouble(c[7]),
                        Double.parseDouble(c[8])));
    }

    private static List<Life> lives(String set) throws IOException {
        return lines(set + ".csv").stream()
                .map(l -> l.split(","))
                .map(c -> new Life(Double.parseDouble(c[0]), c[1].equals("1")))
                .toList();
    }

    @ParameterizedTest
    @MethodSource("expected")
    void theFitIsThatOfSurvreg(Expected r) throws IOException {
        List<Life> lives = lives(r.set());
        assertThat(lives).hasSize(r.parts());
        assertThat(lives.stream().filter(Life::ended)).hasSize(r.ends());
        WeibullFit fit = WeibullFit.likeliest(lives);
        assertThat(fit.shape()).isCloseTo(r.shape(), within(2e-9 * Math.max(1, r.shape())));
        assertThat(fit.scale()).isCloseTo(r.scale(), within(1e-8 * r.scale()));
        assertThat(logLikelihood(lives, fit)).isCloseTo(r.logLikelihood(), within(1e-7));
    }

    private static double logLikelihood(List<Life> lives, WeibullFit fit) {
        return lives.stream()
                .mapToDouble(l -> {
                    double z = Math.pow(l.hours() / fit.scale(), fit.shape());
                    double density = Math.log(fit.shape() / l.hours()) + Math.log(z);
                    return (l.ended() ? density : 0) - z;
                })
                .sum();
    }

    @ParameterizedTest
    @MethodSource("expected")
    void theCurveIsThatOfSurvfit(Expected r) throws IOException {
        List<Life> lives = lives(r.set());
        List<Double> times = lives.stream().map(Life::hours).sorted().toList();
        Survival survival = Survival.of(lives);
        double[] km = {r.km25(), r.km50(), r.km75()};
        for (int quarter = 1; quarter <= 3; quarter++) {
            double at = times.get((int) Math.ceil(quarter / 4.0 * times.size()) - 1);
            double alive = survival.steps().stream()
                    .filter(s -> s.hours() <= at)
                    .mapToDouble(Survival.Step::probability)
                    .reduce(1, (a, b) -> b);
            assertThat(alive).as("after " + at).isCloseTo(km[quarter - 1], within(1e-9));
        }
    }
}
