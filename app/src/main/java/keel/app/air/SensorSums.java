package keel.app.air;

import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import keel.core.air.SensorReading;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Writes readings and their sums in bulk. By hand in SQL, because a reading comes every minute from every sensor,
 * thousands at once after a break, and each must replace one of the same second: the database merges them in batches
 * and sums them where they lie.
 */
@Component
class SensorSums {

    static final int QUARTER = 900;
    static final int HOUR = 3600;
    static final int DAY = 86_400;

    private static final int MANY_BUCKETS = 400;

    private final JdbcTemplate batches;

    SensorSums(JdbcTemplate batches) {
        this.batches = batches;
    }

    /** Keeps these readings of a sensor, by their second, and sums anew the quarters, hours and days they touch. */
    void write(long sensor, Map<Long, SensorReading> readings) {
        batches.batchUpdate(
                "merge into sensor_reading (sensor_id, at_s, tvoc, temperature_c, humidity_percent) key (sensor_id, "
                        + "at_s) values (?, ?, ?, ?, ?)",
                readings.entrySet().stream()
                        .map(e -> new Object[] {
                            sensor,
                            e.getKey(),
                            e.getValue().tvoc(),
                            e.getValue().temperatureC(),
                            e.getValue().humidityPercent()
                        })
                        .toList());
        List<Long> seconds = List.copyOf(readings.keySet());
        sum(sensor, seconds, QUARTER, "sensor_reading", RAW, "");
        sum(sensor, seconds, HOUR, "sensor_rollup", SUMMED, " and span_s = " + QUARTER);
        sum(sensor, seconds, DAY, "sensor_rollup", SUMMED, " and span_s = " + HOUR);
    }

    /** Sums all readings of a sensor anew. */
    void sumAll(long sensor) {
        batches.update("delete from sensor_rollup where sensor_id = ?", sensor);
        batches.update(merge(QUARTER, "sensor_reading", RAW, ""), sensor, 0, Long.MAX_VALUE);
        batches.update(merge(HOUR, "sensor_rollup", SUMMED, " and span_s = " + QUARTER), sensor, 0, Long.MAX_VALUE);
        batches.update(merge(DAY, "sensor_rollup", SUMMED, " and span_s = " + HOUR), sensor, 0, Long.MAX_VALUE);
    }

    private static final String RAW =
            "count(*), avg(tvoc), max(tvoc), avg(temperature_c), min(temperature_c), max(temperature_c)";
    private static final String SUMMED =
            "sum(n), avg(tvoc), max(tvoc_max), avg(temperature_c), min(temperature_min), max(temperature_max)";

    private void sum(long sensor, List<Long> seconds, int span, String from, String figures, String which) {
        TreeSet<Long> buckets = new TreeSet<>();
        seconds.forEach(at -> buckets.add(Math.floorDiv(at, span) * span));
        String each = merge(span, from, figures, which);
        if (buckets.size() > MANY_BUCKETS) {
            batches.update(each, sensor, buckets.first(), buckets.last() + span);
        } else {
            batches.batchUpdate(
                    each,
                    buckets.stream()
                            .map(b -> new Object[] {sensor, b, b + span})
                            .toList());
        }
    }

    private static String merge(int span, String from, String figures, String which) {
        String begin = "at_s / " + span + " * " + span;
        return "merge into sensor_rollup (sensor_id, span_s, at_s, n, tvoc, tvoc_max, temperature_c, "
                + "temperature_min, temperature_max, humidity_percent) key (sensor_id, span_s, at_s) select sensor_id, "
                + span + ", " + begin + ", " + figures + ", avg(humidity_percent) from " + from
                + " where sensor_id = ? and at_s >= ? and at_s < ?" + which + " group by sensor_id, " + begin;
    }
}
