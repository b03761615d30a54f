package keel.core.standing;

/** Whether the plate is levelled again after some work: by what was touched, and by what the machine does itself. */
public final class LevelAdvice {

    private LevelAdvice() {}

    /** In a sentence; empty where the work touches nothing that a level rests on. */
    public static String after(ServiceKind done, MachineTraits machine) {
        if (HoldRules.unlevels(done, machine)) {
            return switch (done) {
                case FILM_CHANGE -> "Level the plate: the film sits higher or lower than the old one did.";
                case SCREEN_CHANGE -> "Level the plate: the screen is what it rests on.";
                case PLATE_WORK -> "Level the plate: it was off, or its face is another.";
                default -> "Level the plate: this vessel sits a little otherwise than the one before.";
            };
        }
        return machine.selfLevelling() && HoldRules.unlevels(done)
                ? "It levels itself before the next print; check the drag of the paper at its zero once."
                : "";
    }
}
