package keel.sim.print;

import java.util.ArrayList;
import java.util.List;
import keel.sim.chance.Chance;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;

/** Prints a job on a machine as it is. */
public final class Print {

    private static final List<Force> FORCES = List.of(
            new LightAndFilm(),
            new HoldingToPlate(),
            new HoldingTogether(),
            new OnSupports(),
            new Machinery(),
            new FileAndResin());

    private final Parameters parameters;

    public Print(Parameters parameters) {
        this.parameters = parameters;
    }

    /**
     * What goes with a print besides machine and job.
     *
     * @param resinC temperature of the resin, °C
     * @param swingKPerHour how fast the room's temperature moves
     * @param fileReadBadly whether the file came damaged to the machine
     */
    public record Circumstances(
            double resinC,
            double swingKPerHour,
            boolean fileReadBadly,
            boolean washedShort,
            boolean driedShort,
            boolean curedLong) {

        /** The same day, carefully: what a repeat to find the cause would meet. */
        public Circumstances carefully() {
            return new Circumstances(resinC, swingKPerHour, false, false, false, false);
        }
    }

    /**
     * How it comes out. Nothing ages by it; a print that is left on the plate presses into film and screen all the
     * same.
     */
    public PrintEnd of(Machine machine, Job job, Circumstances around, Chance chance) {
        Printing print = new Printing(
                machine,
                job,
                parameters,
                around.resinC(),
                around.swingKPerHour(),
                new Printing.Finish(around.washedShort(), around.driedShort(), around.curedLong()),
                around.fileReadBadly(),
                chance);
        List<Defect> defects = new ArrayList<>();
        for (Force force : FORCES) {
            force.act(print, defects);
        }
        return PrintEnd.of(print, defects);
    }

    /** The cells that a job covers on a machine. */
    public static int[] covered(Machine machine, Job job) {
        return new Printing(machine, job, null, 0, 0, null, false, null).covered();
    }
}
