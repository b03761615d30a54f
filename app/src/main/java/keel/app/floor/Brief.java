package keel.app.floor;

import java.util.List;
import keel.app.standing.MachineNow;
import keel.core.standing.Concern;
import keel.core.standing.MachineState;
import keel.core.standing.ServiceKind;

/** Why a machine is in its state, in three or four words. */
public final class Brief {

    private Brief() {}

    public static String of(MachineNow m) {
        if (m.run() != null) {
            return m.run().job();
        }
        if (!m.holds().isEmpty()) {
            return m.holds().get(0).code().brief()
                    + (m.holds().size() > 1 ? ", and " + (m.holds().size() - 1) + " more" : "");
        }
        List<Concern> concerns = m.standing().concerns();
        return concerns.isEmpty() || m.standing().state() == MachineState.OFF ? "" : of(concerns.get(0));
    }

    public static String of(Concern c) {
        boolean due = c.level() == MachineState.DUE;
        return switch (c.about()) {
            case "film" -> due ? asked(c, "film") : "Film near its end";
            case "tank" -> due ? asked(c, "tank") : "Tank near its end";
            case "screen" -> due ? asked(c, "screen") : "Screen may fail";
            case "light" -> due ? "Light may fail" : "Light near its end";
            case "lubrication" -> due ? "Lubricate the Z axis" : "Lubricate Z within a week";
            case "abrading" -> due ? "Abrade the plate" : "Abrade within a week";
            default -> "Cause not confirmed yet";
        };
    }

    /** Hours alone ask for a look; what was seen asks for a change. */
    private static String asked(Concern c, String part) {
        boolean look = c.task() == ServiceKind.VAT_INSPECTED || c.task() == ServiceKind.SCREEN_INSPECTED;
        return (look ? "Look at the " : "Change the ") + part;
    }
}
