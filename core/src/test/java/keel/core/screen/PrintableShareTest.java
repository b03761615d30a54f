package keel.core.screen;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;
import org.junit.jupiter.api.Test;

/** The share clear of spots, against looking at every cell and every spot. */
class PrintableShareTest {

    @Test
    void theShareIsWhatLookingAtEveryCellGives() {
        Random random = new Random(5);
        for (int i = 0; i < 60; i++) {
            double width = 20 + 200 * random.nextDouble();
            double height = 15 + 120 * random.nextDouble();
            List<Spot> spots = IntStream.range(0, random.nextInt(30))
                    .mapToObj(n -> new Spot(
                            SpotKind.DARK,
                            width * (1.2 * random.nextDouble() - 0.1),
                            height * (1.2 * random.nextDouble() - 0.1),
                            8 * random.nextDouble(),
                            1))
                    .toList();
            assertThat(ScreenArea.printable(spots, List.of(), width, height))
                    .isEqualTo(byEveryCell(spots, width, height));
        }
    }

    private static double byEveryCell(List<Spot> spots, double width, double height) {
        int across = (int) Math.ceil(width);
        int deep = (int) Math.ceil(height);
        int clear = 0;
        for (int row = 0; row < deep; row++) {
            for (int column = 0; column < across; column++) {
                double x = (column + 0.5) * (width / across);
                double y = (row + 0.5) * (height / deep);
                boolean near = spots.stream()
                        .anyMatch(p -> Math.hypot(p.xMm() - x, p.yMm() - y) < p.sizeMm() / 2 + ScreenArea.MARGIN_MM);
                clear += near ? 0 : 1;
            }
        }
        return (double) clear / (across * deep);
    }
}
