package keel.app.bench;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Parts that dry: cured before they are dry they bloom white. */
@Service
@Transactional(readOnly = true)
public class Drying {

    /** So long after it is dry a lot is still shown, for whoever cures it. */
    private static final Duration SHOWN_AFTER = Duration.ofHours(1);

    private final JdbcClient jdbc;
    private final Clock clock;

    Drying(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Parts off a machine, and when they are dry. */
    public record Lot(String machine, String machineName, String job, Long run, Instant until) {}

    /** What dries, or has just become dry, soonest first. */
    public List<Lot> now() {
        return jdbc.sql(
                        """
                select m.code, m.name, r.job, r.id, s.drying_until from service s join machine m on m.id = s.machine_id
                left join run r on r.id = (select max(x.id) from run x where x.machine_id = s.machine_id
                and x.ended_at <= s.at and not x.withdrawn)
                where s.drying_until > :from and not s.withdrawn and not exists (select 1 from finishing f
                where f.run_id = r.id) order by s.drying_until""")
                .param("from", clock.instant().minus(SHOWN_AFTER).atOffset(ZoneOffset.UTC))
                .query((row, i) -> new Lot(
                        row.getString(1),
                        row.getString(2),
                        row.getString(3),
                        row.getObject(4, Long.class),
                        row.getObject(5, OffsetDateTime.class).toInstant()))
                .list();
    }
}
