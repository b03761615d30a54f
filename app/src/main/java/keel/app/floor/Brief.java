package keel.app.floor;

import java.util.List;
import keel.app.standing.MachineNow;
import keel.core.standing.Concern;
import keel.core.standing.MachineState;

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
            case "film" -> due ? "Film is past its age" : "Film near its end";
            case "tank" -> due ? "Tank is past its age" : "Tank near its end";
            case "screen" -> due ? "Screen is past its age" : "Screen may fail";
            case "light" -> due ? "Light is past its age" : "Light near its end";
            case "lubrication" -> due ? "Lubricate the Z axis" : "Lubricate Z within a week";
            case "abrading" -> due ? "Abrade the plate" : "Abrade within a week";
            default -> "Cause not confirmed yet";
        };
    }
}
