package keel.app.fleet;

import java.time.Instant;

/** One test piece printed on two machines. */
public record Comparison(
        long id,
        String piece,
        String first,
        String firstShows,
        String second,
        String secondShows,
        boolean differs,
        Instant at,
        String who) {}
