package keel.app.prints;

import static keel.app.base.Rows.time;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.standing.ServiceKind;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The attempts at one job, chained from run to run, with what was changed in between. */
@Service
@Transactional(readOnly = true)
public class Attempts {

    private static final int MOST = 20;

    private final Runs runs;
    private final JdbcClient jdbc;

    Attempts(Runs runs, JdbcClient jdbc) {
        this.runs = runs;
        this.jdbc = jdbc;
    }

    /** All attempts that this run is one of, the first one first; at least the run itself. */
    public List<Attempt> of(long runId) {
        List<Long> chain = new ArrayList<>(List.of(runId));
        for (Long before = before(runId);
                before != null && !chain.contains(before) && chain.size() < MOST;
                before = before(before)) {
            chain.add(0, before);
        }
        for (Long next = after(runId);
                next != null && !chain.contains(next) && chain.size() < MOST;
                next = after(next)) {
            chain.add(next);
        }
        List<Attempt> attempts = new ArrayList<>();
        RunView last = null;
        for (Long id : chain) {
            RunView run = runs.one(id);
            attempts.add(
                    new Attempt(attempts.size() + 1, run, failure(id), last == null ? List.of() : changed(last, run)));
            last = run;
        }
        return attempts;
    }

    private Long before(long run) {
        return jdbc.sql("select again_of from run where id = ? and again_of is not null")
                .param(run)
                .query(Long.class)
                .optional()
                .orElse(null);
    }

    private Long after(long run) {
        return jdbc.sql("select id from run where again_of = ? and not withdrawn order by started_at fetch first "
                        + "row only")
                .param(run)
                .query(Long.class)
                .optional()
                .orElse(null);
    }

    private Long failure(long run) {
        return jdbc.sql("select id from failure where run_id = ? and not withdrawn order by id fetch first row only")
                .param(run)
                .query(Long.class)
                .optional()
                .orElse(null);
    }

    /** Another machine, work at the bench other than cleaning, and new settings. */
    private List<String> changed(RunView from, RunView to) {
        List<String> changed = new ArrayList<>();
        if (!from.machine().equals(to.machine())) {
            changed.add("on " + to.machineName());
        }
        OffsetDateTime begin = time(from.endedAt() == null ? from.startedAt() : from.endedAt());
        jdbc
                .sql(
                        """
                select s.kind from service s join machine m on m.id = s.machine_id where m.code = ? and s.at >= ?
                and s.at <= ? and not s.withdrawn
                  and s.kind not in ('PLATE_CLEARED', 'CLEAN_UP', 'VAT_INSPECTED', 'SCREEN_INSPECTED', 'OFF', 'ON',
                  'COMMISSIONED') order by s.at""")
                .params(to.machine(), begin, time(to.startedAt()))
                .query((row, i) -> ServiceKind.valueOf(row.getString(1)).done().toLowerCase(Locale.ROOT))
                .list()
                .stream()
                .distinct()
                .forEach(changed::add);
        int versions = jdbc.sql(
                        """
                select count(*) from profile_version v join profile p on p.id = v.profile_id join machine m
                on m.id = p.machine_id
                where m.code = ? and v.number > 1 and v.made_at >= ? and v.made_at <= ?""")
                .params(to.machine(), begin, time(to.startedAt()))
                .query(Integer.class)
                .single();
        if (versions > 0) {
            changed.add("settings");
        }
        if (from.layers() != to.layers()) {
            changed.add("the job, " + to.layers() + " layers");
        }
        return changed;
    }
}
