package keel.core.air;

import java.time.Duration;
import java.time.Instant;
import java.util.List;

/** When a fan was switched, oldest first. */
public record FanLog(List<Switch> switches) {

    /** From then on it ran, or not. */
    public record Switch(Instant at, boolean on) {}

    /** Hours that it ran between two moments; it goes on as it was switched last. */
    public double hours(Instant since, Instant until) {
        double hours = 0;
        for (int i = 0; i < switches.size(); i++) {
            Instant from = switches.get(i).at().isBefore(since)
                    ? since
                    : switches.get(i).at();
            Instant to = i + 1 < switches.size() && switches.get(i + 1).at().isBefore(until)
                    ? switches.get(i + 1).at()
                    : until;
            hours += switches.get(i).on() && to.isAfter(from)
                    ? Duration.between(from, to).toSeconds() / 3600.0
                    : 0;
        }
        return hours;
    }
}
