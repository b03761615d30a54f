package keel.app.failures;

import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * How often each cause closed a failure in this shop, each verdict by its chance: the share of what was seen that the
 * cause began, judged without the verdict. What explains nothing teaches nothing, else a shop would teach itself its
 * own prejudices. Less while it is presumed.
 */
@Component
public class ClosedFailures {

    private static final double PRESUMED = 0.3;
    private static final long NONE = 0;

    private final FailureRecords records;

    ClosedFailures(FailureRecords records) {
        this.records = records;
    }

    public Map<String, Double> counts() {
        return countsWithout(NONE);
    }

    /** The same without one failure, for a judgement that shall not hear its own echo. */
    public Map<String, Double> countsWithout(long failure) {
        return records.closed(failure).stream()
                .collect(Collectors.groupingBy(
                        FailureRecords.Closed::cause,
                        Collectors.summingDouble(c -> c.sum() * (c.open() ? PRESUMED : 1))));
    }
}
