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
import keel.app.stores.BottlePours;
import keel.app.stores.Bottles;
import keel.app.stores.FilmPacks;
import keel.app.stores.PourKind;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.app.support.QuickPasswords;
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
@Import({TestShop.class, QuickPasswords.class})
class RebuildTest {

    private static final AtomicInteger NUMBER = new AtomicInteger();
    /** A machine with a history that each falsehood is planted into. */
    private static String told;

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
    private Bottles bottles;

    @Autowired
    private BottlePours pours;

    @Autowired
    private Resins resins;

    @Autowired
    private FilmPacks packs;

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
        history(17, 20);
        kept.forEach(k -> assertThat(k.again()).as(k.name()).isEmpty());
        assertThat(command.run().lines()).hasSize(kept.size()).allMatch(l -> l.endsWith(": all as on record."));
    }

    /** Four shops of random histories; more if the property asks for them. */
    @Test
    void theAuditFindsNothingAfterRandomHistories() {
        for (int seed = 31; seed < 31 + Integer.getInteger("keel.random.shops", 4); seed++) {
            history(seed, 14);
        }
        ShopAudit.Answer answer = audit.answer();
        assertThat(answer.words()).startsWith("Nothing found: ");
        assertThat(answer.clean()).isTrue();
    }

    /**
     * Each falsehood by itself, found by what it is about, and gone when it is taken back, or reckoned again: X is a
     * machine, F its film.
     */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "meter set hours = hours + 1 where scope = 'COMPONENT' and owner_id = F||, hours",
                "meter set uv_hours = uv_hours + 1 where scope = 'COMPONENT' and owner_id = F||, UV hours",
                "meter set layers = layers + 1 where scope = 'COMPONENT' and owner_id = F||, layers",
                "meter set prints = prints + 1 where scope = 'COMPONENT' and owner_id = F||, prints",
                "meter set resin_ml = resin_ml + 1 where scope = 'COMPONENT' and owner_id = F||, resin, ml",
                "meter set hours = hours + 1 where scope = 'MACHINE' and owner_id = X||Meters of machines",
                "meter set uv_hours = uv_hours + 1 where scope = 'MACHINE' and owner_id = X||, UV hours",
                "meter set layers = layers + 1 where scope = 'MACHINE' and owner_id = X||, layers",
                "meter set prints = prints + 1 where scope = 'MACHINE' and owner_id = X||, prints",
                "meter set resin_ml = resin_ml + 1 where scope = 'MACHINE' and owner_id = X||, resin, ml",
                "meter set hours = hours + 1 where scope = 'LUBRICATED' and owner_id = X||it was greased",
                "meter set hours = hours + 1 where scope = 'ABRADED' and owner_id = X||plate was abraded",
                "meter set prints = prints + 1 where scope = 'LEVELLED' and owner_id = X||it was levelled",
                "run_period set hours = hours + 1 where machine_id = X||hours of its months",
                "stock_item set on_hand = on_hand + 1 where code = 'paper-filters'||on hand",
                "bottle set left_ml = left_ml - 9|bottle set left_ml = left_ml + 9|ml left",
                "machine_standing set vat_ml = vat_ml + 9 where machine_id = X||ml in the vat",
                "machine_standing set vat_resin = 'other' where machine_id = X||resin in the vat",
                "machine_standing set levelled_at = null where machine_id = X||, levelled",
                "machine_standing set lubrication_known = false where machine_id = X||known when its Z axis",
                "machine_standing set abrading_known = not abrading_known where machine_id = X||known when its plate",
                "machine_standing set off_since = current_timestamp where machine_id = X||out of service",
                "open_hold set code = 'film-ended' where machine_id = X and code = 'plate-not-clear'"
                        + "||held: plate-not-clear",
                "open_hold set code = 'stance-unchecked' where machine_id = X and code = 'plate-not-clear'"
                        + "||held: stance-unchecked",
                "component set ended_at = current_timestamp where id = F|component set ended_at = null where id = F"
                        + "|although it ended",
                "film_pack set sheets = sheets - 40|film_pack set sheets = sheets + 40|more sheets used than bought"
            })
    void theAuditFindsWhatIsFalse(String falsehood, String truth, String said) {
        told = told == null ? history(41, 20) : told;
        String machine = told;
        falsify(falsehood, machine);
        try {
            ShopAudit.Answer answer = audit.answer();
            assertThat(answer.clean()).isFalse();
            assertThat(answer.words()).contains(said).contains("differ from the record");
        } finally {
            if (truth == null) {
                command.run();
            } else {
                falsify(truth, machine);
            }
        }
        assertThat(audit.answer().words()).startsWith("Nothing found");
    }

    private void falsify(String change, String machine) {
        String sql = "update "
                + change.replace(" = X", " = " + shop.now(machine).id())
                        .replace(" = F", " = " + shop.now(machine).film().id());
        assertThat(jdbc.sql(sql).update()).as(sql).isPositive();
    }

    @Test
    void whatWasSpoiledIsNamedAndPutRight() {
        String machine = history(23, 20);
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

    /** So many days on two machines, whatever came to whoever's mind; runs moved, cut short and taken back. */
    private String history(long seed, int days) {
        Random random = new Random(seed);
        String a = shop.maskMachine();
        String b = shop.machineOf(shop.modelOf(a));
        String bottle = bottle();
        packed(a);
        for (int day = 0; day < days; day++) {
            String m = random.nextBoolean() ? a : b;
            poured(m, bottle, day, random);
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
                shop.service(m, "CLEAN_UP", day * 24 + 23, "way", "QUICK", "lostMl", random.nextInt(20));
            }
            upkeep(m, day, random);
        }
        shop.service(a, "LEVELLING", days * 24, "school", "PAPER");
        shop.run(a, days * 24 + 1, 3);
        readings(random);
        return a;
    }

    private void upkeep(String m, int day, Random random) {
        switch (random.nextInt(12)) {
            case 0 -> shop.service(m, "LEVELLING", day * 24 + 23, "school", "PAPER");
            case 1 ->
                shop.service(m, "PLATE_WORK", day * 24 + 23, "work", random.nextBoolean() ? "ABRADED" : "DEBURRED");
            case 2 -> shop.service(m, "PLATE_CLEARED", day * 24 + 23, "resinLeftMl", 40 + random.nextInt(60));
            case 3 -> shop.service(m, "CLEAN_UP", day * 24 + 23, "way", "FULL", "emptied", true, "lostMl", 5);
            case 4 ->
                shop.service(m, "MOVED", day * 24 + 23, "room", shop.now(m).room());
            case 5 -> shop.service(m, random.nextBoolean() ? "OFF" : "ON", day * 24 + 23);
            default -> {}
        }
    }

    private String bottle() {
        String resin = resins.add("Grey " + NUMBER.incrementAndGet(), null);
        return bottles.add(new Bottles.Entry(resin, 1, 19_000.0, null, null, null, true))
                .get(0);
    }

    private void packed(String machine) {
        String pack =
                packs.add(new FilmPacks.PackEntry("Marl Sheet Works", null, "FEP", 0.127, 300.0, 200.0, 12, null));
        shop.service(
                machine,
                "FILM_CHANGE",
                0.5,
                "material",
                "FEP",
                "thicknessMm",
                0.127,
                "endReason",
                "PLANNED",
                "pack",
                pack);
    }

    private void poured(String m, String bottle, int day, Random random) {
        Instant at = TestShop.at(day * 24.0 + 0.2);
        String vat = shop.now(m).vat().code();
        double there = shop.now(m).resinMl();
        if (there < 60) {
            pours.pour(vat, bottle, 100.0 + random.nextInt(100), PourKind.POUR, at);
        } else if (random.nextInt(6) == 0) {
            pours.pour(vat, bottle, 10.0, PourKind.RETURN, at);
        }
        if (random.nextInt(10) == 0) {
            bottles.measured(bottle, bottles.one(bottle, "bottle").leftMl() - 3);
        }
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
