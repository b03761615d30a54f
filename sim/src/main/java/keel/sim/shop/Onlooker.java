package keel.sim.shop;

import java.time.Instant;
import keel.sim.print.Job;
import keel.sim.print.Print;
import keel.sim.print.PrintEnd;
import keel.sim.world.Machine;

/** Looks on while a shop works, and may see to its films in place of the keeper. The shop's chance is left alone. */
public interface Onlooker {

    /** Who sees to the films in the morning. */
    enum Films {
        /** The keeper, by their own eye. */
        KEEPER,
        CHANGED,
        LEFT
    }

    /** Nobody. */
    Onlooker NOBODY = new Onlooker() {};

    /**
     * A print as it begins.
     *
     * @param machine as it is then
     * @param hours that it takes, {@code uvHours} of light
     * @param end how it will come out
     */
    record Begun(
            Instant at,
            Machine machine,
            Job job,
            Print.Circumstances around,
            double hours,
            double uvHours,
            PrintEnd end) {}

    default void begins(Begun print) {}

    /** In the morning, before anything prints. */
    default Films morning(Machine machine) {
        return Films.KEEPER;
    }
}
