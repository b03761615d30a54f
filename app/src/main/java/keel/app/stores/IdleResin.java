package keel.app.stores;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import keel.app.fleet.ShopSettings;
import keel.app.standing.MachineNow;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Resin that stands still in machines: it settles, and after a while it belongs back in its bottle. */
@Service
@Transactional(readOnly = true)
public class IdleResin {

    private final ShopSettings settings;
    private final JdbcClient jdbc;
    private final Clock clock;

    IdleResin(ShopSettings settings, JdbcClient jdbc, Clock clock) {
        this.settings = settings;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param days since something moved it: a print, a pour, a sieve */
    public record Idle(long machine, double days) {}

    private static final String MOVED =
            """
            select m.id, greatest(coalesce((select max(r.ended_at) from run r where r.machine_id = m.id
            and not r.withdrawn), m.since),
              coalesce((select max(p.at) from fitting f join pour p on p.vat_id = f.component_id
              and not p.withdrawn where f.machine_id = m.id and f.removed_at is null), m.since),
              coalesce((select max(s.at) from service s where s.machine_id = m.id and not s.withdrawn
              and (s.emptied or s.content like '%"sieved":true%')), m.since))
            from machine m where not exists (select 1 from run r where r.machine_id = m.id and r.ended_at is null
            and not r.withdrawn)""";

    /** Of a machine that does not print at the moment. */
    public Optional<Idle> of(long machine) {
        return jdbc.sql(MOVED + " and m.id = ?")
                .param(machine)
                .query((row, i) -> idle(row.getLong(1), row.getObject(2, OffsetDateTime.class)))
                .optional();
    }

    /** Machines whose resin should go back into its bottle. */
    public List<MachineNow> toReturn(List<MachineNow> machines) {
        double most = settings.defaults().value("resin.returnDays");
        List<Long> idle = jdbc
                .sql(MOVED)
                .query((row, i) -> idle(row.getLong(1), row.getObject(2, OffsetDateTime.class)))
                .list()
                .stream()
                .filter(i -> i.days() >= most)
                .map(Idle::machine)
                .toList();
        return machines.stream()
                .filter(m -> m.resin() != null && m.resinMl() > 1 && idle.contains(m.id()))
                .toList();
    }

    private Idle idle(long machine, OffsetDateTime moved) {
        return new Idle(
                machine, Duration.between(moved.toInstant(), clock.instant()).toMinutes() / 1440.0);
    }
}
