package keel.app.floor;

import keel.app.upkeep.MachineNow;
import keel.core.standing.Defaults;
import keel.core.standing.MachineKind;

/** The ages at which the bars of parts are full: when they are replaced, or by when most have ended. */
public record Ages(double film, double tank, double screen, double light, double lubricate, double abrade) {

    Ages(Defaults d) {
        this(full(d, "film"), full(d, "tank"), full(d, "screen"), full(d, "light"), d.value("lubrication.everyHours"), d.value("abrading.everyHours"));
    }

    /** That of what the machine's vessel is lined with. */
    public double lining(MachineNow m) {
        return m.kind() == MachineKind.LASER_TANK ? tank : film;
    }

    static double full(Defaults defaults, String part) {
        double replaceAt = defaults.value(part + ".replaceAtHours");
        return replaceAt > 0 ? replaceAt : defaults.value(part + ".scaleHours");
    }
}
