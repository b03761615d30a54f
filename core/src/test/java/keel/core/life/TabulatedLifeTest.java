package keel.core.life;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import keel.core.spares.SpareDemand;
import keel.core.wear.Lifespan;
import keel.core.wear.WeibullLife;
import org.junit.jupiter.api.Test;

/** A life that is looked up, against the life itself. */
class TabulatedLifeTest {

    private static final WeibullLife USUAL = new WeibullLife(2.2, 300);

    private static EarlyAndWorn life() {
        Random random = new Random(3);
        List<Life> lives = IntStream.range(0, 40)
                .mapToObj(i -> new Life(20 + 500 * random.nextDouble(), random.nextInt(3) > 0))
                .toList();
        return EarlyAndWorn.fitted(lives, USUAL);
    }

    @Test
    void itSurvivesAsTheLifeDoes() {
        EarlyAndWorn life = life();
        Lifespan table = TabulatedLife.of(life, 900);
        Random random = new Random(4);
        for (int i = 0; i < 500; i++) {
            double age = i < 50 ? random.nextDouble() : 1000 * random.nextDouble();
            assertThat(table.survival(age)).as("at " + age).isCloseTo(life.survival(age), within(1e-4));
        }
        assertThat(table.survival(0)).isCloseTo(1, within(1e-12));
    }

    @Test
    void sparesReckonedWithItAreTheSame() {
        EarlyAndWorn life = life();
        double[] exact = SpareDemand.ends(new SpareDemand.InService(life, 120, 150));
        double[] looked = SpareDemand.ends(new SpareDemand.InService(TabulatedLife.of(life, 270), 120, 150));
        for (int k = 0; k < 4; k++) {
            assertThat(looked[k]).isCloseTo(exact[k], within(1e-4));
        }
    }

    @Test
    void aLifeInClosedFormStaysAsItIs() {
        assertThat(TabulatedLife.of(USUAL, 500)).isSameAs(USUAL);
    }
}
