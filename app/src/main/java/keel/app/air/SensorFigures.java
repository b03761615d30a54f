package keel.app.air;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.app.shell.Kept;
import keel.app.shell.KeptFigures;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What sensors said last, and their sums of quarters, hours and days, as they are kept. */
@Component
class SensorFigures implements KeptFigures {

    private final SensorRecords sensors;
    private final SensorSums sums;

    SensorFigures(SensorRecords sensors, SensorSums sums) {
        this.sensors = sensors;
        this.sums = sums;
    }

    @Override
    public String name() {
        return "Sums of the sensors";
    }

    @Override
    @Transactional
    public List<String> again() {
        Map<String, List<?>> before = now();
        sensors.findAll().forEach(this::again);
        return Kept.differences(before, now());
    }

    private void again(SensorRecord sensor) {
        sensors.newest(sensor.id, Limit.of(1)).forEach(r -> sensor.hears(r.reading()));
        sums.sumAll(sensor.id);
    }

    private Map<String, List<?>> now() {
        Map<String, List<?>> figures = new HashMap<>();
        sensors.last()
                .forEach(s -> figures.put(
                        s.code() + " last", Arrays.asList(s.lastS(), s.temperatureC(), s.humidityPercent())));
        sensors.allSums()
                .forEach(r -> figures.put(
                        "sensor " + r.sensor() + ", " + r.spanS() + " s from " + r.atS(),
                        Arrays.asList(
                                r.n(),
                                r.tvoc(),
                                r.tvocMax(),
                                r.temperatureC(),
                                r.temperatureMin(),
                                r.temperatureMax(),
                                r.humidityPercent())));
        return figures;
    }
}
