package keel.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import keel.app.Keel;
import keel.app.air.Sensors;
import keel.app.prints.RunChange;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.stores.Stock;
import keel.app.support.TestShop;
import keel.core.air.SensorReading;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.context.annotation.Import;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.context.SecurityContextHolder;

/** What is kept although it follows from the record: reckoning it again changes nothing that is right. */
@SpringBootTest(
        classes = Keel.class,
        properties = {"spring.datasource.url=jdbc:h2:mem:rebuild;DB_CLOSE_DELAY=-1", "keel.home=target/rebuild-home"})
@Import(TestShop.class)
class RebuildTest {

    private static final AtomicInteger NUMBER = new AtomicInteger();

    @Autowired
    private TestShop shop;

    @Autowired
    private Runs runs;

    @Autowired
    private List<KeptFigures> kept;

    @Autowired
    private RebuildCommand command;

    @Autowired
    private ShopAudit audit;

    @Autowired
    private Sensors sensors;

    @Autowired
    private Stock stock;

    @Autowired
    private Clock clock;

    @Autowired
    private JdbcClient jdbc;

    @BeforeEach
    void signIn() {
        shop.people();
        shop.as("keeper");
    }

    @AfterEach
    void signOut() {
        SecurityContextHolder.clearContext();
    }

    @Test
    void afterARandomHistoryNothingIsWrong() {
        history(17);
        kept.forEach(k -> assertThat(k.again()).as(k.name()).isEmpty());
        assertThat(command.run().lines()).hasSize(kept.size()).allMatch(l -> l.endsWith(": all as on record."));
    }

    @Test
    void theAuditFindsNothingAfterRandomHistories() {
        for (long seed : new long[] {31, 32, 33}) {
            history(seed);
        }
        ShopAudit.Answer answer = audit.answer();
        assertThat(answer.words()).startsWith("Nothing found: ");
        assertThat(answer.clean()).isTrue();
    }

    /** Each falsehood by itself, found by what it is about, and gone when it is taken back. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "meter set hours = hours + ? where scope = 'COMPONENT' and hours > 1|hours",
                "meter set uv_hours = uv_hours + ? where scope = 'COMPONENT' and hours > 1|UV hours",
                "meter set layers = layers + ? where scope = 'COMPONENT' and hours > 1|layers",
                "meter set hours = hours + ? where scope = 'MACHINE' and hours > 1|Meters of machines",
                "meter set uv_hours = uv_hours + ? where scope = 'MACHINE' and hours > 1|UV hours",
                "meter set prints = prints + ? where scope = 'MACHINE' and hours > 1|prints",
                "meter set resin_ml = resin_ml + ? where scope = 'MACHINE' and hours > 1|resin",
                "stock_item set on_hand = on_hand + ? where code = 'paper-filters'|on hand"
            })
    void theAuditFindsWhatIsFalse(String falsehood, String said) {
        history(41);
        jdbc.sql("update " + falsehood).param(1).update();
        try {
            ShopAudit.Answer answer = audit.answer();
            assertThat(answer.clean()).isFalse();
            assertThat(answer.words()).contains(said).contains("differ from the record");
        } finally {
            jdbc.sql("update " + falsehood).param(-1).update();
        }
        assertThat(audit.answer().words()).startsWith("Nothing found");
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

    /** Forty days on two machines, whatever came to whoever's mind; runs moved, cut short and taken back. */
    private String history(long seed) {
        Random random = new Random(seed);
        String a = shop.maskMachine();
        String b = shop.machineOf(shop.modelOf(a));
        for (int day = 0; day < 40; day++) {
            String m = random.nextBoolean() ? a : b;
            RunView run = shop.run(m, day * 24 + 1, 2 + random.nextInt(5));
            if (random.nextInt(4) == 0) {
                runs.correct(run.id(), moved(random, random.nextBoolean() ? a : b), "random");
            }
            if (random.nextInt(5) == 0) {
                shop.filmChange(m, day * 24 + 20);
            }
            if (random.nextInt(6) == 0) {
                shop.service(m, "LUBRICATION", day * 24 + 21, "part", "SCREW");
            }
            if (random.nextInt(6) == 0) {
                shop.failure(m, day * 24 + 22, "layer-split");
            }
        }
        readings(random);
        return a;
    }

    private static RunChange moved(Random random, String machine) {
        int layers = 500 + random.nextInt(900);
        boolean withdrawn = random.nextInt(5) == 0;
        return new RunChange(machine, null, null, null, layers, null, null, null, null, withdrawn);
    }

    private void readings(Random random) {
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
    }

    @Test
    void numbersDifferBeyondABillionth() {
        Map<String, List<?>> before = Map.of("a", List.of(1.0, 2L), "b", List.of(0.1 + 0.2), "gone", List.of("x"));
        Map<String, List<?>> after = Map.of("a", List.of(1.0, 3L), "b", List.of(0.3), "new", List.of("y"));
        assertThat(Kept.differences(before, after))
                .containsExactly("a: [1.0, 2], now [1.0, 3]", "gone: [x], now nothing", "new: nothing, now [y]");
    }
}
