package keel.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import keel.app.air.Sensors;
import keel.app.stores.Stock;
import keel.app.support.AppTest;
import keel.core.air.SensorReading;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What is kept although it follows from the record: reckoning it again changes nothing that is right. */
class RebuildTest extends AppTest {

    private static final AtomicInteger NUMBER = new AtomicInteger();

    @Autowired
    private List<KeptFigures> kept;

    @Autowired
    private RebuildCommand command;

    @Autowired
    private Sensors sensors;

    @Autowired
    private Stock stock;

    @Autowired
    private Clock clock;

    @Autowired
    private JdbcClient jdbc;

    @Test
    void afterARandomHistoryNothingIsWrong() {
        history(17);
        kept.forEach(k -> assertThat(k.again()).as(k.name()).isEmpty());
        assertThat(command.run().lines()).hasSize(kept.size()).allMatch(l -> l.endsWith(": all as on record."));
    }

    @Test
    void whatWasSpoiledIsNamedAndPutRight() {
        String machine = history(23);
        String spoil = "where scope = 'MACHINE' and owner_id = (select id from machine where code = ?)";
        double hours = shop.now(machine).sinceRecords().hours();
        jdbc.sql("update meter set hours = hours + 3 " + spoil).param(machine).update();
        jdbc.sql("delete from open_hold where machine_id = (select id from machine where code = ?)")
                .param(machine)
                .update();
        jdbc.sql("update stock_item set on_hand = on_hand - 1 where code = 'paper-filters'")
                .update();
        jdbc.sql("update sensor_rollup set n = n + 1 where at_s = (select min(at_s) from sensor_rollup)")
                .update();
        String said = command.run();
        assertThat(said)
                .contains("Meters, wear maps, holds and vats:")
                .contains("meter MACHINE")
                .contains("Stock on hand: 1 put right.")
                .contains("paper-filters")
                .contains("Sums of the sensors:");
        assertThat(shop.now(machine).sinceRecords().hours()).isEqualTo(hours);
        kept.forEach(k -> assertThat(k.again()).as(k.name()).isEmpty());
    }

    /** Forty days on a machine, in the order in which somebody remembered them. */
    private String history(long seed) {
        Random random = new Random(seed);
        String machine = shop.maskMachine();
        for (int day = 0; day < 40; day++) {
            shop.run(machine, day * 24 + 1, 2 + random.nextInt(5));
            switch (random.nextInt(6)) {
                case 0 -> shop.filmChange(machine, day * 24 + 20);
                case 1 -> shop.service(machine, "LUBRICATION", day * 24 + 21, "part", "SCREW");
                case 2 -> shop.failure(machine, day * 24 + 22, "layer-split");
                default -> {}
            }
        }
        if (stock.all(true).stream().noneMatch(i -> i.item().equals("paper-filters"))) {
            stock.addItem("Paper filters", "pieces", 5.0, 40.0);
        }
        String sensor = "kept-" + NUMBER.incrementAndGet();
        Instant from = clock.instant().minusSeconds(40_000);
        for (int minute = 0; minute < 300; minute += 1 + random.nextInt(3)) {
            sensors.take(
                    sensor,
                    List.of(new SensorReading(
                            from.plusSeconds(minute * 60L), 90 + random.nextDouble(), 20 + random.nextDouble(), 45.0)));
        }
        return machine;
    }

    @Test
    void numbersDifferBeyondABillionth() {
        Map<String, List<?>> before = Map.of("a", List.of(1.0, 2L), "b", List.of(0.1 + 0.2), "gone", List.of("x"));
        Map<String, List<?>> after = Map.of("a", List.of(1.0, 3L), "b", List.of(0.3), "new", List.of("y"));
        assertThat(Kept.differences(before, after))
                .containsExactly("a: [1.0, 2], now [1.0, 3]", "gone: [x], now nothing", "new: nothing, now [y]");
    }
}
