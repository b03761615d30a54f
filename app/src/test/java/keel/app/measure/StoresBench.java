package keel.app.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import keel.app.stores.Buying;
import keel.app.support.AppTest;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** The buying list of forty items over five years of movements, beside a plain count of those movements. */
@Tag("bench")
class StoresBench extends AppTest {

    private static final int ITEMS = 40;
    private static final int DAYS = 5 * 365;

    @Autowired
    private JdbcTemplate jdbc;

    @Autowired
    private Buying buying;

    @Test
    void theBuyingList() {
        shop.people();
        shop.as("keeper");
        Random random = new Random(1);
        Instant start = Instant.now().minus(Duration.ofDays(DAYS));
        for (int i = 0; i < ITEMS; i++) {
            String code = shop.item("Bench item", 1000);
            long id = jdbc.queryForObject("select id from stock_item where code = ?", Long.class, code);
            List<Object[]> rows = new ArrayList<>();
            for (int day = 0; day < DAYS; day++) {
                rows.add(new Object[] {
                    id, -1 - random.nextInt(4), "used", Timestamp.from(start.plus(Duration.ofDays(day)))
                });
                if (day % 30 == 0) {
                    rows.add(new Object[] {id, 80, "delivery", Timestamp.from(start.plus(Duration.ofDays(day)))});
                }
            }
            jdbc.batchUpdate("insert into stock_movement (item_id, quantity, reason, at) values (?, ?, ?, ?)", rows);
        }
        Measured plain = Measured.seldom("plain sum of " + ITEMS * DAYS + " movements", () -> {
            move();
            jdbc.queryForObject("select sum(quantity) from stock_movement", Double.class);
        });
        Measured.seldom("one movement written, which is in the other two", this::move)
                .beside(plain);
        Measured.seldom("buying list of " + ITEMS + " items over five years", () -> {
                    move();
                    buying.lines();
                })
                .beside(plain);
        assertThat(buying.lines())
                .filteredOn(l -> l.item().name().startsWith("Bench item"))
                .hasSize(ITEMS)
                .allSatisfy(l -> assertThat(l.demand().mean()).isBetween(2.0, 3.0));
    }

    /** One more, so that the database has to sum anew. */
    private void move() {
        jdbc.update("insert into stock_movement (item_id, quantity, reason, at) select max(id), -1, 'used', "
                + "current_timestamp from stock_item");
    }
}
