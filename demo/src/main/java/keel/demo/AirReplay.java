package keel.demo;

import keel.app.air.AirPlans;
import keel.app.air.RoomAir;
import keel.app.air.Sensors;
import keel.core.air.SensorReading;
import keel.sim.shop.Happening;
import org.springframework.stereotype.Component;

/** Enters what happened with the air. */
@Component
class AirReplay {

    private static final int AT_ONCE = 6000;

    private final RoomAir rooms;
    private final Sensors sensors;
    private final AirPlans plans;

    AirReplay(RoomAir rooms, Sensors sensors, AirPlans plans) {
        this.rooms = rooms;
        this.sensors = sensors;
        this.plans = plans;
    }

    /** Whether it was one of these. */
    boolean enter(Happening happening) {
        if (happening instanceof Happening.AirPlanned p) {
            rooms.describe(
                    p.room(),
                    new RoomAir.Described(
                            p.volumeM3(), p.mixing(), p.lowC(), p.highC(), p.openings(), p.washes(), null));
            plans.keep(p.room(), p.path());
        } else if (happening instanceof Happening.FanSwitched f) {
            rooms.fan(f.room(), f.running());
        } else if (happening instanceof Happening.AirPartKept k) {
            plans.keepUp(k.kind(), k.name(), k.room());
        } else if (happening instanceof Happening.SensorLog l) {
            for (int i = 0; i < l.minutes().size(); i += AT_ONCE) {
                sensors.take(
                        l.sensor(),
                        l.minutes().subList(i, Math.min(l.minutes().size(), i + AT_ONCE)).stream()
                                .map(m ->
                                        new SensorReading(m.at(), m.vapourPpb(), m.temperatureC(), m.humidityPercent()))
                                .toList());
            }
            sensors.place(l.sensor(), l.room());
        } else {
            return false;
        }
        return true;
    }
}
