package keel.app.failures;

import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Finds earlier failures that looked like this one: shared symptoms against all symptoms of both (Jaccard 1901), more
 * on the same machine.
 */
@Component
public class AlikeFailures {

    private static final int CANDIDATES = 60;
    private static final int SHOWN = 4;
    private static final double SAME_MACHINE = 0.15;

    private final Failures failures;
    private final JdbcClient jdbc;

    AlikeFailures(Failures failures, JdbcClient jdbc) {
        this.failures = failures;
        this.jdbc = jdbc;
    }

    /** The most alike first, closed ones only. */
    public List<CasePage.Alike> to(FailureView failure) {
        if (failure.symptoms().isEmpty()) {
            return List.of();
        }
        record Candidate(long id, String machine, int shared, int total) {}
        List<Candidate> candidates = jdbc.sql(
                        """
                select f.id, m.code, count(*), (select count(*) from failure_symptom t where t.failure_id = f.id
                and t.present)
                from failure_symptom s join failure f on f.id = s.failure_id and f.id <> :self
                and f.cause is not null and not f.withdrawn and f.seen_at < :seen
                join machine m on m.id = f.machine_id where s.present and s.symptom in (:symptoms)
                group by f.id, m.code, f.seen_at order by 3 desc, f.seen_at desc fetch first :most rows only""")
                .param("self", failure.id())
                .param("seen", failure.seenAt().atOffset(ZoneOffset.UTC))
                .param("symptoms", failure.symptoms())
                .param("most", CANDIDATES)
                .query((row, i) -> new Candidate(row.getLong(1), row.getString(2), row.getInt(3), row.getInt(4)))
                .list();
        List<CasePage.Alike> alike = new ArrayList<>();
        candidates.stream()
                .sorted((a, b) -> Double.compare(
                        likeness(b.shared(), b.total(), b.machine(), failure),
                        likeness(a.shared(), a.total(), a.machine(), failure)))
                .limit(SHOWN)
                .forEach(c -> alike.add(new CasePage.Alike(
                        failures.one(c.id()), likeness(c.shared(), c.total(), c.machine(), failure), photo(c.id()))));
        return alike;
    }

    private static double likeness(int shared, int total, String machine, FailureView failure) {
        Set<String> own = new HashSet<>(failure.symptoms());
        return (double) shared / (own.size() + total - shared) + (machine.equals(failure.machine()) ? SAME_MACHINE : 0);
    }

    private Long photo(long failure) {
        return jdbc.sql("select min(id) from photo where failure_id = ?")
                .param(failure)
                .query(Long.class)
                .optional()
                .orElse(null);
    }
}
