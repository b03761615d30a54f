package keel.app.upkeep;

import java.time.OffsetDateTime;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Whether the last print of a machine failed, and whether anything was changed on it since. Cleaning changes nothing. */
@Service
@Transactional(readOnly = true)
public class SinceFailure {

    private final JdbcClient jdbc;

    SinceFailure(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public record Now(boolean lastFailed, boolean changedSince) {}

    public Now of(long machineId) {
        OffsetDateTime failed = latest("select max(seen_at) from failure where machine_id = ? and not withdrawn", machineId);
        OffsetDateTime good = latest("select max(started_at) from run where machine_id = ? and outcome in ('GOOD', 'USABLE') and not withdrawn", machineId);
        if (failed == null || good != null && good.isAfter(failed)) {
            return new Now(false, false);
        }
        boolean changed = jdbc.sql("""
                select count(*) from service where machine_id = ? and at >= ? and not withdrawn and kind in ('FILM_CHANGE', 'TANK_CHANGE', 'VAT_FITTED',
                  'SCREEN_CHANGE', 'LEVELLING', 'PLATE_WORK', 'LUBRICATION', 'STANCE_CHECKED', 'FIRMWARE')""").params(machineId, failed).query(Integer.class).single() > 0
                || jdbc.sql("select count(*) from profile_version v join profile p on p.id = v.profile_id where p.machine_id = ? and v.made_at >= ?")
                .params(machineId, failed).query(Integer.class).single() > 0;
        return new Now(true, changed);
    }

    private OffsetDateTime latest(String sql, long machineId) {
        return jdbc.sql(sql).param(machineId).query(OffsetDateTime.class).optional().orElse(null);
    }
}
