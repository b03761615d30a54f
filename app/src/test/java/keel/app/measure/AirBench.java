package keel.app.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import keel.app.air.Sensors;
import keel.app.fleet.Fleet;
import keel.app.support.AppTest;
import keel.core.air.SensorReading;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * Two million minute readings taken in, then shown over a day, a month and all of their time, beside a plain count of
 * them.
 */
@Tag("bench")
class AirBench extends AppTest {

    private static final int READINGS = 2_000_000;
    private static final int AT_ONCE = 10_000;

    @Autowired
    private Sensors sensors;

    @Autowired
    private Fleet fleet;

    @Autowired
    private JdbcTemplate jdbc;

    @Test
    void aSeriesOfTwoMillionMinutes() {
        shop.people();
        shop.as("keeper");
        String room = fleet.addRoom("Measured");
        Random random = new Random(1);
        Instant now = Instant.now();
        Instant start = now.minus(Duration.ofMinutes(READINGS));
        long began = System.nanoTime();
        for (int i = 0; i < READINGS; i += AT_ONCE) {
            List<SensorReading> some = new ArrayList<>();
            for (int j = i; j < i + AT_ONCE; j++) {
                some.add(new SensorReading(
                        start.plusSeconds(60L * j),
                        100 + 20 * random.nextGaussian() * random.nextDouble() + 50,
                        20 + random.nextDouble(),
                        45.0));
            }
            sensors.take("bench", some);
        }
        System.out.println(String.format(
                Locale.ROOT,
                "%,.0f readings a second taken in, %d at a time",
                READINGS / ((System.nanoTime() - began) / 1e9),
                AT_ONCE));
        sensors.place("bench", room);
        Measured plain = Measured.seldom("plain count of them", () -> {
            sensors.take("bench", List.of(new SensorReading(now, random.nextDouble() * 100, 20.0, 45.0)));
            jdbc.queryForObject("select count(*) from sensor_reading", Long.class);
        });
        Measured.seldom(
                        "one reading more, with its sums",
                        () -> sensors.take(
                                "bench", List.of(new SensorReading(now, random.nextDouble() * 100, 20.0, 45.0))))
                .beside(plain);
        for (int days : new int[] {1, 31, 1500}) {
            Measured.seldom("series of " + days + " days", () -> {
                        sensors.take("bench", List.of(new SensorReading(now, random.nextDouble() * 100, 20.0, 45.0)));
                        sensors.series(room, null, now.minus(Duration.ofDays(days)), now);
                    })
                    .beside(plain);
        }
        assertThat(jdbc.queryForObject("select count(*) from sensor_reading", Long.class))
                .isGreaterThanOrEqualTo(READINGS);
    }
}
