package keel.demo;

import java.util.List;
import keel.app.air.Air;
import keel.app.air.AirPlans;
import keel.app.air.RoomAir;
import keel.app.air.Sensors;
import keel.core.air.SensorReading;
import keel.sim.shop.Happening;
import org.springframework.stereotype.Component;

/** Rooms and their air: plans, fans, upkeep, readings. */
@Component
class AirChapter implements Chapter {

    private static final int AT_ONCE = 6000;

    private final Air air;
    private final RoomAir rooms;
    private final Sensors sensors;
    private final AirPlans plans;

    AirChapter(Air air, RoomAir rooms, Sensors sensors, AirPlans plans) {
        this.air = air;
        this.rooms = rooms;
        this.sensors = sensors;
        this.plans = plans;
    }

    @Override
    public void tell(Telling telling) {
        telling.on(Happening.RoomRead.class, r -> air.read(r.room(), r.temperatureC(), r.humidityPercent()));
        telling.on(Happening.AirPlanned.class, this::plan);
        telling.on(Happening.FanSwitched.class, f -> rooms.fan(f.room(), f.running()));
        telling.on(Happening.AirPartKept.class, k -> plans.keepUp(k.kind(), k.name(), k.room()));
        telling.on(Happening.SensorLog.class, this::log);
    }

    private void plan(Happening.AirPlanned p) {
        rooms.describe(
                p.room(),
                new RoomAir.Described(p.volumeM3(), p.mixing(), p.lowC(), p.highC(), p.openings(), p.washes(), null));
        plans.keep(p.room(), p.path());
    }

    private void log(Happening.SensorLog l) {
        List<SensorReading> all = l.minutes().stream()
                .map(m -> new SensorReading(m.at(), m.vapourPpb(), m.temperatureC(), m.humidityPercent()))
                .toList();
        for (int i = 0; i < all.size(); i += AT_ONCE) {
            sensors.take(l.sensor(), all.subList(i, Math.min(all.size(), i + AT_ONCE)));
        }
        sensors.place(l.sensor(), l.room());
    }
}
