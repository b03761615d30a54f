package keel.sim.print;

import java.util.List;

/** One way in which a print can go wrong. */
interface Force {

    /** Adds to {@code out} what it does to this print. */
    void act(Printing print, List<Defect> out);
}
