package keel.app.stores;

import java.util.Optional;

/**
 * How many spare parts to hold, by the lives of those in service: for items that are bought seldom and go out one by
 * one.
 */
public interface PartNeeds {

    /**
     * @param wanted enough for the lead time with the wanted chance
     * @param there of any kind that serves, on all shelves
     * @param waits chance that somebody waits for one, with what is there
     * @param yearly how many end in a year at this pace
     */
    record Need(int wanted, int there, double waits, double yearly) {}

    /** What is in service and on the shelves now, read once for all that is asked about it. */
    Now now();

    /** What is needed as things stand. */
    interface Now {

        /** Nothing if no such part is in service. */
        Optional<Need> of(String kind, String model, double leadDays, double serviceLevel);
    }
}
