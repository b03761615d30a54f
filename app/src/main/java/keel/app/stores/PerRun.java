package keel.app.stores;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.app.standing.RunsChanged;
import keel.core.Findings;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What every print takes of an item: booked when a run ends, given back when it is withdrawn or goes on. */
@Service
@Transactional
public class PerRun {

    private static final double MOST = 1000;

    private final Stock stock;
    private final JdbcClient jdbc;
    private final Clock clock;

    PerRun(Stock stock, JdbcClient jdbc, Clock clock) {
        this.stock = stock;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** From now on every print that ends takes so much; null for nothing. */
    public void change(String item, Double quantity) {
        Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.rangeIfGiven(quantity, 0, MOST, "perRun", "What a print takes", "");
        Refused.unless(findings);
        boolean none = quantity == null || quantity == 0;
        if (jdbc.sql("update stock_item set per_run = ?, per_run_since = ? where code = ?")
                        .params(
                                none ? null : quantity,
                                none ? null : clock.instant().atOffset(ZoneOffset.UTC),
                                item)
                        .update()
                == 0) {
            throw new NotThere("There is no item called " + item + ".");
        }
    }

    private record Owed(String item, long run, String job, double quantity, Instant at) {}

    /** Books what is owed, and gives back what is owed no more. */
    @EventListener
    void follow(RunsChanged changed) {
        if (jdbc.sql("select count(*) from stock_item where per_run_since is not null")
                        .query(Integer.class)
                        .single()
                == 0) {
            return;
        }
        List<Owed> owed = jdbc.sql(
                        """
                select i.code, r.id, r.job, i.per_run, r.ended_at from stock_item i join run r
                on r.ended_at >= i.per_run_since
                where i.per_run is not null and i.retired_at is null and r.machine_id = :machine and not r.withdrawn
                  and coalesce((select sum(m.quantity) from stock_movement m where m.run_id = r.id
                  and m.item_id = i.id), 0) = 0""")
                .param("machine", changed.machine())
                .query((row, i) -> new Owed(
                        row.getString(1),
                        row.getLong(2),
                        row.getString(3),
                        row.getDouble(4),
                        row.getObject(5, OffsetDateTime.class).toInstant()))
                .list();
        owed.forEach(o -> stock.takeForRun(o.item(), o.quantity(), o.job(), o.at(), o.run()));
        List<Owed> back = jdbc.sql(
                        """
                select i.code, r.id, r.job, -sum(m.quantity), max(m.at) from stock_movement m join run r
                on r.id = m.run_id join stock_item i on i.id = m.item_id
                where r.machine_id = :machine and (r.withdrawn or r.ended_at is null)
                group by i.code, r.id, r.job having sum(m.quantity) <> 0""")
                .param("machine", changed.machine())
                .query((row, i) -> new Owed(
                        row.getString(1),
                        row.getLong(2),
                        row.getString(3),
                        row.getDouble(4),
                        row.getObject(5, OffsetDateTime.class).toInstant()))
                .list();
        back.forEach(o -> stock.takeForRun(o.item(), -o.quantity(), o.job() + " taken back", clock.instant(), o.run()));
    }
}
