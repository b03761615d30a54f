package keel.app.failures;

import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * How often each cause closed a failure in this shop. One that a check had found counts in full, one that was only
 * thought of for a quarter: a good print may follow a wrong guess too, and a shop would teach itself its own
 * prejudices. Less while it is presumed.
 */
@Component
public class ClosedFailures {

    private static final double HELD = 0.7;
    private static final double PRESUMED = 0.3;
    private static final double GUESSED = 0.25;

    private final FailureRecords records;

    ClosedFailures(FailureRecords records) {
        this.records = records;
    }

    public Map<String, Double> counts() {
        return records.closed().stream()
                .collect(Collectors.groupingBy(
                        FailureRecords.Closed::cause, Collectors.summingDouble(ClosedFailures::counts)));
    }

    private static double counts(FailureRecords.Closed closed) {
        double sure = closed.found() ? 1 : closed.open() ? PRESUMED : HELD;
        return sure * (closed.checked() ? 1 : GUESSED) * closed.times();
    }
}
