package keel.app.screen;

import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * How warm rooms were while parts lit. By hand in SQL, because each of many thousand runs has to find the last reading
 * of its room before it, and only the sums per part are wanted.
 */
@Component
class HeatSums {

    private final JdbcClient jdbc;

    HeatSums(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** By part, of the runs that it lit and of which a reading is known; UV hours above {@code warmC} counted apart. */
    Map<Long, Optics.Heat> byPart(double warmC) {
        Map<Long, Optics.Heat> heat = new HashMap<>();
        jdbc.sql(
                        """
                select part_id, sum(uv * c) as uv_c, sum(case when c > :warm then uv else 0 end) as warm_uv,
                  sum(uv) as uv
                from (
                  select p.part_id, r.uv_hours as uv,
                    (select t.temperature_c from room_read t where t.room_id = m.room_id and t.at <= r.ended_at
                      and t.at > dateadd(hour, -36, r.started_at) order by t.at desc fetch first row only) as c
                  from part_on_machine p join machine_card m on m.id = p.machine_id
                  join run_fact r on r.machine_id = p.machine_id and r.started_at >= p.since and r.started_at < p.until
                  where p.kind in ('SCREEN', 'LIGHT') and r.ended_at is not null)
                where c is not null and uv > 0 group by part_id""")
                .param("warm", warmC)
                .query(row -> {
                    double uv = row.getDouble("uv");
                    heat.put(
                            row.getLong("part_id"),
                            new Optics.Heat(row.getDouble("uv_c") / uv, row.getDouble("warm_uv"), uv));
                });
        return heat;
    }
}
