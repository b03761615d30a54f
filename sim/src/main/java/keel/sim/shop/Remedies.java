package keel.sim.shop;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import keel.core.profile.Setting;
import keel.sim.print.Job;
import keel.sim.world.Machine;
import keel.sim.world.Screen;

/** What the shop does about a cause that it has named, whether or not that was it. */
final class Remedies {

    private static final double LONGEST = 1.3;

    private final Machine machine;
    private final Hands hands;
    private final Records records;

    Remedies(Machine machine, Hands hands, Records records) {
        this.machine = machine;
        this.hands = hands;
        this.records = records;
    }

    /** @return when it is done */
    Instant apply(String cause, Instant at) {
        return switch (cause) {
            case "plate-tilted", "plate-height-wrong", "plate-bolts-loose" ->
                hands.level(at, cause.equals("plate-tilted"));
            case "plate-smooth" -> hands.abrade(at, true);
            case "plate-burr" -> hands.deburr(at);
            case "machine-rocks" -> hands.standFirm(at);
            case "z-dry" -> hands.grease(at);
            case "vat-bolts-loose" -> tightenVat(at);
            case "film-worn" -> hands.changeFilm(at, machine.vat().film().dents() > 1 ? "DENTED" : "CLOUDED", null);
            case "film-slack" -> hands.changeFilm(at, "SLACK", null);
            case "film-pierced" -> pierced(at);
            case "debris-on-film" -> again(at);
            case "spill", "resin-on-screen" -> wet(at);
            case "screen-dark-pixels", "screen-lit-pixels" -> screen(cause, at);
            case "light-dead" -> newLight(at, "The light does not come on. New one ordered.");
            case "light-weak" -> weak(at);
            case "screen-blank" -> reconnect(at);
            case "medium-bad" -> stick(at);
            case "resin-settled" -> stir(at);
            case "resin-mixed" -> otherResinOut(at);
            case "exposure-short",
                    "uncalibrated",
                    "exposure-long",
                    "base-exposure-short",
                    "base-exposure-long",
                    "lift-fast",
                    "smoothing-off" -> settings(cause, at);
            case "scale-uncorrected" -> scale(at);
            default -> at;
        };
    }

    /** What is printed again, put right where the cause lay in it. */
    static Job corrected(Job job, String cause) {
        return switch (cause) {
            case "file-unchecked", "file-corrupt" -> job.corrected();
            case "supports-weak" -> job.supported(1.25);
            case "no-drain", "wall-thin" -> job.drained();
            case "flat-orientation" -> job.tilted();
            case "supports-too-close" -> job.spaced();
            default -> job;
        };
    }

    private Instant tightenVat(Instant at) {
        machine.vat().tightenBolts();
        return hands.level(at, false);
    }

    private Instant pierced(Instant at) {
        Instant done = hands.changeFilm(at, "PIERCED", null);
        if (machine.screen() != null) {
            machine.screen().wipe();
        }
        if (machine.screen() != null && machine.screen().resinCured()) {
            return hands.changeScreen(done, "RESIN", "Resin through the hole had cured on it.");
        }
        hands.inspectVat(done, true, List.of());
        return done.plus(Duration.ofMinutes(5));
    }

    private Instant again(Instant at) {
        machine.vat().sieve(0.97);
        records.service(
                at,
                "operator",
                "CLEAN_UP",
                Map.of("way", "FULL", "sieved", true, "emptied", false),
                "Bits again: all of it through the filter.");
        return at.plus(Duration.ofMinutes(25));
    }

    private Instant wet(Instant at) {
        machine.vat().wipeOutside();
        Screen screen = machine.screen();
        if (screen != null) {
            screen.wipe();
        }
        if (screen != null && screen.resinCured()) {
            return hands.changeScreen(at, "RESIN", "Resin had crept under the vat and cured on it.");
        }
        hands.inspectVat(at.plus(Duration.ofMinutes(4)), true, List.of());
        return at.plus(Duration.ofMinutes(8));
    }

    private Instant screen(String cause, Instant at) {
        Screen screen = machine.screen();
        if (screen == null || screen.spots().isEmpty() && !screen.patchAnywhere()) {
            return at;
        }
        String reason =
                screen.patchAnywhere() ? "PATCH" : cause.equals("screen-lit-pixels") ? "LIT_PIXELS" : "DARK_PIXELS";
        return hands.changeScreen(at, reason, null);
    }

    /** A longer exposure for as long as that will do; then another light. */
    private Instant weak(Instant at) {
        double exposure = machine.settings().get(Setting.EXPOSURE_S);
        if (exposure > LONGEST * machine.sheet(machine.vat().resin()).get(Setting.EXPOSURE_S)) {
            return newLight(at, "Dim by the UV meter, and the exposure long already. New light ordered.");
        }
        exposure(at, exposure * 1.1, "The light has faded: a little longer.");
        return at.plus(Duration.ofMinutes(4));
    }

    private Instant newLight(Instant at, String why) {
        records.service(at, "keeper", "OFF", Map.of(), why);
        machine.changeLight();
        Instant there = at.plus(Duration.ofDays(3));
        records.service(there, "keeper", "ON", Map.of(), "New light engine, fitted by the dealer.");
        return there.plus(Duration.ofMinutes(30));
    }

    private Instant reconnect(Instant at) {
        if (machine.screen() == null) {
            return at;
        }
        machine.screen().connect(true);
        records.service(at, "keeper", "SCREEN_INSPECTED", Map.of("clean", true), "Ribbon had slipped; seated again.");
        return at.plus(Duration.ofMinutes(15));
    }

    private Instant stick(Instant at) {
        hands.newStick(at);
        return at;
    }

    private Instant stir(Instant at) {
        machine.vat().stir();
        return at;
    }

    private Instant otherResinOut(Instant at) {
        String resin = machine.vat().resin();
        hands.cleanUp(at, "keeper", true);
        hands.pour(
                at.plus(Duration.ofMinutes(20)), "keeper", resin, machine.site().fillMl() * 0.8);
        return at.plus(Duration.ofMinutes(30));
    }

    private Instant settings(String cause, Instant at) {
        double exposure = machine.settings().get(Setting.EXPOSURE_S);
        double sheet = machine.sheet(machine.vat().resin()).get(Setting.EXPOSURE_S);
        double bottom = machine.settings().get(Setting.BOTTOM_EXPOSURE_S);
        switch (cause) {
            case "exposure-short" -> exposure(at, Math.min(exposure * 1.1, sheet * 1.45), "A little more light.");
            case "uncalibrated" ->
                exposure(
                        at,
                        machine.neededExposureS(machine.vat().resin()) * 1.28,
                        "After a row of test pieces on this machine.");
            case "exposure-long" -> exposure(at, Math.max(sheet, exposure * 0.88), "Less light: detail was gone.");
            case "base-exposure-short" ->
                change(at, Setting.BOTTOM_EXPOSURE_S, Math.round(bottom * 1.15), "Bases came off.");
            case "base-exposure-long" ->
                change(
                        at,
                        Setting.BOTTOM_EXPOSURE_S,
                        Math.round(Math.min(
                                bottom * 0.85,
                                machine.sheet(machine.vat().resin()).get(Setting.BOTTOM_EXPOSURE_S))),
                        "Bases were squashed.");
            case "lift-fast" ->
                change(
                        at,
                        Setting.LIFT_MM_PER_MIN,
                        machine.sheet(machine.vat().resin()).get(Setting.LIFT_MM_PER_MIN),
                        "Slower lift.");
            default ->
                change(
                        at,
                        Setting.SMOOTHING,
                        machine.sheet(machine.vat().resin()).get(Setting.SMOOTHING),
                        "Smoothing had been off.");
        }
        return at.plus(Duration.ofMinutes(4));
    }

    private void exposure(Instant at, double seconds, String why) {
        change(at, Setting.EXPOSURE_S, Math.round(seconds * 20) / 20.0, why);
    }

    private void change(Instant at, Setting setting, double value, String why) {
        hands.set(at, Map.of(setting, value), why);
    }

    private Instant scale(Instant at) {
        machine.checkScale();
        change(
                at,
                Setting.SCALE,
                Math.round(1000 / machine.quirks().definitionScale()) / 1000.0,
                "Measured: it came out too large or too small by a constant share.");
        return at;
    }
}
