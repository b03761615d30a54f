package keel.core.week;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A job that waits to be printed, or upkeep that takes a machine for a while.
 *
 * @param resin what it is printed of; null where any will do, and for upkeep
 * @param from not before; null for at once
 * @param due when it should be done; null without a date
 * @param handsMinutes of somebody's hands at its begin, a change of resin not counted
 * @param places where it can be done; empty where nowhere
 * @param fixed where somebody wants it; null where it is free
 */
public record Wanted(
        String id,
        @Nullable String resin,
        @Nullable Instant from,
        @Nullable Instant due,
        double handsMinutes,
        List<Place> places,
        @Nullable Fixed fixed) {

    /**
     * A machine that it fits.
     *
     * @param hours of printing there; 0 for upkeep
     * @param success chance that it comes out there, 0 to 1
     */
    public record Place(String machine, double hours, double success) {}

    /** @param at when hands go to it; null for whenever that machine is free */
    public record Fixed(String machine, @Nullable Instant at) {}

    /** A print with the usual minutes of hands. */
    public static Wanted print(String id, @Nullable String resin, @Nullable Instant due, List<Place> places) {
        return new Wanted(id, resin, null, due, PlanningFigures.startMinutes(), places, null);
    }

    /** The same, where somebody wants it. */
    public Wanted at(String machine, @Nullable Instant at) {
        return new Wanted(id, resin, from, due, handsMinutes, places, new Fixed(machine, at));
    }
}
