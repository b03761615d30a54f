package keel.sim.measure;

import static org.assertj.core.api.Assertions.assertThat;

import keel.sim.chance.Chance;
import keel.sim.history.SimCommand;
import keel.sim.shop.Happening;
import keel.sim.shop.Shop;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What a simulated run costs, beside a million draws of chance: ratios hold on any machine, times only on this one. */
@Tag("bench")
class SimBench {

    @Test
    void aShopOfSevenMachinesOverOneAndOverFourYears() {
        double draws = millis(() -> {
            Chance chance = Chance.of(1);
            double sum = 0;
            for (int i = 0; i < 1_000_000; i++) {
                sum += chance.normal(0, 1);
            }
            assertThat(sum).isNotNaN();
        });
        System.out.printf("%-44s %8.0f ms%n", "a million normal draws", draws);
        runs(12, draws);
        runs(12, draws);
        runs(48, draws);
    }

    private static void runs(int months, double draws) {
        Shop.History[] history = new Shop.History[1];
        double millis = millis(() -> history[0] = SimCommand.history(7, months, 2.2, 7, "shop-a"));
        long runs = history[0].happenings().stream()
                .filter(Happening.RunDone.class::isInstance)
                .count();
        System.out.printf(
                "%-44s %8.0f ms %8.3f ms a run %8.4f of a million draws%n",
                "seven machines, " + months + " months, " + runs + " runs",
                millis,
                millis / runs,
                millis / runs / draws);
    }

    private static double millis(Runnable work) {
        long before = System.nanoTime();
        work.run();
        return (System.nanoTime() - before) / 1e6;
    }
}
