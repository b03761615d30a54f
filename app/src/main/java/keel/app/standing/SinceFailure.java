package keel.app.standing;

import java.time.OffsetDateTime;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Whether the last print of a machine failed, and whether anything was changed on it since. Cleaning changes nothing.
 */
@Service
@Transactional(readOnly = true)
public class SinceFailure {

    private final JdbcClient jdbc;

    SinceFailure(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * How it stands.
     *
     * @param inARow prints that went wrong one after the other, up to now
     */
    public record Now(boolean lastFailed, boolean changedSince, int inARow) {}

    public Now of(long machineId) {
        OffsetDateTime failed =
                latest("select max(seen_at) from failure where machine_id = ? and not withdrawn", machineId);
        OffsetDateTime good = latest(
                "select max(started_at) from run where machine_id = ? and outcome in ('GOOD', 'USABLE') and not "
                        + "withdrawn",
                machineId);
        if (failed == null || good != null && good.isAfter(failed)) {
            return new Now(false, false, 0);
        }
        boolean changed = jdbc.sql(
                                        """
                select count(*) from service where machine_id = ? and at >= ? and not withdrawn
                and kind in ('FILM_CHANGE', 'TANK_CHANGE', 'VAT_FITTED',
                  'SCREEN_CHANGE', 'LEVELLING', 'PLATE_WORK', 'LUBRICATION', 'STANCE_CHECKED', 'FIRMWARE')""")
                                .params(machineId, failed)
                                .query(Integer.class)
                                .single()
                        > 0
                || jdbc.sql("select count(*) from profile_version v join profile p on p.id = "
                                        + "v.profile_id where p.machine_id = ? and v.made_at >= ?")
                                .params(machineId, failed)
                                .query(Integer.class)
                                .single()
                        > 0;
        return new Now(true, changed, inARow(machineId, good));
    }

    private int inARow(long machineId, OffsetDateTime good) {
        return jdbc.sql("select count(*) from run where machine_id = ? and ended_at is not null and not withdrawn "
                        + "and started_at > coalesce(?, timestamp with time zone '1970-01-01 00:00:00+00')")
                .params(machineId, good)
                .query(Integer.class)
                .single();
    }

    private OffsetDateTime latest(String sql, long machineId) {
        return jdbc.sql(sql)
                .param(machineId)
                .query(OffsetDateTime.class)
                .optional()
                .orElse(null);
    }
}
