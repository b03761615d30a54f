package keel.app.failures;

import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
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

    private final JdbcClient jdbc;

    ClosedFailures(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public Map<String, Double> counts() {
        Map<String, Double> counts = new HashMap<>();
        jdbc.sql(
                        """
                select c.cause, sum(c.counts) from (select f.cause, case when f.certainty = 'FOUND' then 1.0
                  when not exists (select 1 from open_cause o where o.failure_id = f.id) then :held else :presumed end
                  * case when exists (select 1 from failure_check k where k.failure_id = f.id and not k.withdrawn
                  and locate(',' || f.cause || ',', ',' || k.found || ',') > 0)
                  then 1.0 else :guessed end as counts
                  from failure f where f.certainty in ('FOUND', 'PRESUMED') and not f.withdrawn) c group by c.cause""")
                .param("held", HELD)
                .param("presumed", PRESUMED)
                .param("guessed", GUESSED)
                .query((row, i) -> counts.put(row.getString(1), row.getDouble(2)))
                .list();
        return counts;
    }
}
