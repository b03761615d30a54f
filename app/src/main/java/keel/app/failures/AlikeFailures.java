package keel.app.failures;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;

/**
 * Finds earlier failures that looked like this one: shared symptoms against all symptoms of both (Jaccard 1901), more
 * on the same machine.
 */
@Component
public class AlikeFailures {

    private static final Limit CANDIDATES = Limit.of(60);
    private static final int SHOWN = 4;
    private static final double SAME_MACHINE = 0.15;

    private final Failures failures;
    private final FailureRecords records;

    AlikeFailures(Failures failures, FailureRecords records) {
        this.failures = failures;
        this.records = records;
    }

    /** The most alike first, closed ones only. */
    public List<CasePage.Alike> to(FailureView failure) {
        if (failure.symptoms().isEmpty()) {
            return List.of();
        }
        List<FailureRecords.Candidate> candidates =
                records.alike(failure.id(), failure.seenAt(), failure.symptoms(), CANDIDATES);
        List<CasePage.Alike> alike = new ArrayList<>();
        candidates.stream()
                .sorted((a, b) -> Double.compare(
                        likeness(b.shared(), b.total(), b.machine(), failure),
                        likeness(a.shared(), a.total(), a.machine(), failure)))
                .limit(SHOWN)
                .forEach(c -> alike.add(new CasePage.Alike(
                        failures.one(c.id()),
                        likeness(c.shared(), c.total(), c.machine(), failure),
                        records.firstPhoto(c.id()))));
        return alike;
    }

    private static double likeness(long shared, long total, String machine, FailureView failure) {
        Set<String> own = new HashSet<>(failure.symptoms());
        return (double) shared / (own.size() + total - shared) + (machine.equals(failure.machine()) ? SAME_MACHINE : 0);
    }
}
