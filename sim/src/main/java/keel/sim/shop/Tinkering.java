package keel.sim.shop;

import java.time.Instant;
import java.util.Map;
import keel.core.profile.Setting;
import keel.sim.chance.Chance;
import keel.sim.world.Machine;

/** Settings changed for no good reason: somebody read something, or wanted to save an hour. */
final class Tinkering {

    private final Machine machine;
    private final Hands hands;

    Tinkering(Machine machine, Hands hands) {
        this.machine = machine;
        this.hands = hands;
    }

    void slip(Instant at, Chance chance) {
        switch (chance.below(6)) {
            case 0 -> by(at, Setting.EXPOSURE_S, chance.between(0.62, 0.8), 0.05, "Less light, to spare the screen.");
            case 1 -> by(at, Setting.EXPOSURE_S, chance.between(1.4, 1.8), 0.05, "Somebody swears by more light.");
            case 2 -> by(at, Setting.BOTTOM_EXPOSURE_S, chance.between(0.35, 0.55), 1, "Parts were hard to get off.");
            case 3 -> by(at, Setting.BOTTOM_EXPOSURE_S, chance.between(1.5, 1.9), 1, "To be sure that it sticks.");
            case 4 -> by(at, Setting.LIFT_MM_PER_MIN, chance.between(1.5, 2.2), 5, "An hour saved on a long print.");
            default -> off(at);
        }
    }

    private void by(Instant at, Setting setting, double factor, double step, String why) {
        double sheet = machine.sheet(machine.vat().resin()).get(setting);
        double value = Math.round(sheet * factor / step) * step;
        double tidy = Math.round(value * 1000) / 1000.0;
        hands.set(at, Map.of(setting, tidy), why);
    }

    private void off(Instant at) {
        hands.set(at, Map.of(Setting.SMOOTHING, 0.0), "To see whether it is crisper without.");
    }
}
