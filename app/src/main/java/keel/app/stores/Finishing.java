package keel.app.stores;

import static keel.app.base.Rows.instant;
import static keel.app.base.Rows.time;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.core.rate.SuccessRate;
import keel.core.wash.BathKind;
import keel.core.wash.Hurried;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Prints from the plate to the finished part: each goes on by one tap, and every step can be taken back. */
@Service
@Transactional
public class Finishing {

    /** Prints that ended longer ago are not asked for any more. */
    static final Duration ASKED_FOR = Duration.ofDays(3);

    private static final String VIEW =
            """
            select r.id, m.code, m.name, r.job, r.ended_at, r.resin_ml, f.supports, a.code, f.first_at, b.code,
            f.second_at, f.resin_ml, f.dry_at, f.drying, f.cure_at, f.done_at, f.finish, s.washed_in
            from run r join machine m on m.id = r.machine_id left join finishing f on f.run_id = r.id left
            join bath a on a.id = f.first_bath_id left join bath b on b.id = f.second_bath_id
            left join profile_version v on v.id = r.profile_version_id left join profile p
            on p.id = v.profile_id left join resin s on s.id = p.resin_id""";

    private final Baths baths;
    private final ShopSettings settings;
    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final Clock clock;

    Finishing(Baths baths, ShopSettings settings, Logbook logbook, JdbcClient jdbc, Clock clock) {
        this.baths = baths;
        this.settings = settings;
        this.logbook = logbook;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** How far a print is. */
    public enum Stage {
        TO_WASH("to wash"),
        WASHING("washing"),
        WASHING_AGAIN("in the second bath"),
        DRYING("drying"),
        CURING("curing"),
        DONE("finished");

        private final String words;

        Stage(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** How it came out. */
    public enum Finish {
        CLEAN,
        TACKY,
        BLOOM
    }

    /** A print with how far it is; {@code washedIn} what its resin is washed in, null if nobody said. */
    public record Print(
            long run,
            String machine,
            String machineName,
            String job,
            Instant endedAt,
            double printMl,
            String supports,
            String first,
            Instant firstAt,
            String second,
            Instant secondAt,
            Double carriedMl,
            Instant dryAt,
            String drying,
            Instant cureAt,
            Instant doneAt,
            Finish finish,
            BathKind washedIn) {

        public Stage stage() {
            return doneAt != null
                    ? Stage.DONE
                    : cureAt != null
                            ? Stage.CURING
                            : dryAt != null
                                    ? Stage.DRYING
                                    : secondAt != null
                                            ? Stage.WASHING_AGAIN
                                            : firstAt != null ? Stage.WASHING : Stage.TO_WASH;
        }

        /** In all baths together, null if it was not washed here. */
        public Double washSeconds() {
            return firstAt == null || dryAt == null
                    ? null
                    : Double.valueOf(Duration.between(firstAt, dryAt).toMillis() / 1000.0);
        }

        public Double dryHours() {
            return dryAt == null || cureAt == null
                    ? null
                    : Double.valueOf(Duration.between(dryAt, cureAt).toMillis() / 3.6e6);
        }
    }

    /** A print with the moment when its stage should be over, null where it waits for somebody. */
    public record Waiting(Print print, Instant until, boolean ready) {}

    /** What is to be finished, by stage; the latest ends first within one. */
    @Transactional(readOnly = true)
    public List<Waiting> open() {
        Instant now = clock.instant();
        return jdbc
                .sql(
                        VIEW
                                + """
                 where r.ended_at is not null and not r.withdrawn and r.outcome in ('GOOD', 'USABLE')
                 and f.done_at is null and (f.id is not null or r.ended_at >= :from)
                order by r.ended_at desc fetch first 100 rows only""")
                .param("from", now.minus(ASKED_FOR).atOffset(ZoneOffset.UTC))
                .query((row, i) -> print(row))
                .list()
                .stream()
                .map(p -> {
                    Instant until = until(p);
                    return new Waiting(p, until, until != null && !until.isAfter(now));
                })
                .sorted(Comparator.comparing(Finishing::urgency))
                .toList();
    }

    /** What is in the bath goes before what waits, what waits before what dries. */
    private static int urgency(Waiting w) {
        return w.ready()
                ? 0
                : switch (w.print().stage()) {
                    case WASHING, WASHING_AGAIN -> 1;
                    case CURING -> 2;
                    case TO_WASH -> 3;
                    default -> 4;
                };
    }

    private Instant until(Print p) {
        double seconds = settings.defaults().value("wash.seconds");
        return switch (p.stage()) {
            case WASHING -> p.firstAt().plusMillis(Math.round(1000 * seconds));
            case WASHING_AGAIN -> p.secondAt().plusMillis(Math.round(1000 * seconds));
            case DRYING ->
                p.dryAt().plusMillis(Math.round(3.6e6 * settings.defaults().value("drying.hours")));
            case CURING ->
                p.cureAt().plusMillis(Math.round(60_000 * settings.defaults().value("cure.minutes")));
            default -> null;
        };
    }

    /** Finished last. */
    @Transactional(readOnly = true)
    public List<Print> done(int most) {
        return jdbc.sql(VIEW
                        + " where f.done_at is not null and not r.withdrawn order by f.done_at desc fetch "
                        + "first ? rows only")
                .param(most)
                .query((row, i) -> print(row))
                .list();
    }

    /** @throws NotThere if there is no such run, or it has not ended */
    @Transactional(readOnly = true)
    public Print one(long run) {
        return jdbc.sql(VIEW + " where r.id = ? and r.ended_at is not null and not r.withdrawn")
                .param(run)
                .query((row, i) -> print(row))
                .optional()
                .orElseThrow(() -> new NotThere("There is no run " + run + " that has ended."));
    }

    /** What was hurried with a print, for its diagnosis. */
    @Transactional(readOnly = true)
    public Set<String> facts(long run) {
        return jdbc.sql(VIEW + " where r.id = ?")
                .param(run)
                .query((row, i) -> print(row))
                .optional()
                .map(p -> Hurried.facts(p.washSeconds(), p.dryHours()))
                .orElse(Set.of());
    }

    /** Into a bath; {@code supports} OFF_FIRST or AFTER, null if nobody said. */
    public void wash(long run, String bath, String supports) {
        Print p = at(run, Stage.TO_WASH, Stage.WASHING);
        Baths.Bath into = baths.one(bath == null ? "" : bath);
        if (into.filledAt() == null) {
            throw new Conflict("bath", "Bath " + into.code() + " was never filled. Fill it first.");
        }
        if (p.washedIn() == BathKind.WATER
                && into.bath().kind() != BathKind.WATER
                && into.bath().kind() != BathKind.WATER_BASED
                && p.stage() == Stage.TO_WASH) {
            note(p, "Washed in " + into.bath().kind().words() + ", though its resin is washed in water.");
        }
        if (p.stage() == Stage.TO_WASH) {
            begin(run);
            set(
                    run,
                    "supports = ?, first_bath_id = ?, first_at = ?, resin_ml = ?",
                    supports == null || supports.isBlank()
                            ? null
                            : supports.equals("OFF_FIRST") ? "OFF_FIRST" : "AFTER",
                    into.id(),
                    now(),
                    Math.round(10 * p.printMl() * settings.defaults().value("wash.carriedShare")) / 10.0);
        } else {
            if (into.code().equals(p.first())) {
                throw new Conflict("bath", "It is in bath " + into.code() + " already.");
            }
            set(run, "second_bath_id = ?, second_at = ?", into.id(), now());
        }
    }

    /** Out of the bath: it dries. Also for one that was washed where nobody keeps time. */
    public void dries(long run, String drying) {
        Print p = at(run, Stage.TO_WASH, Stage.WASHING, Stage.WASHING_AGAIN);
        if (p.stage() == Stage.TO_WASH) {
            begin(run);
        }
        set(run, "dry_at = ?, drying = ?", now(), "FAN".equals(drying) ? "FAN" : "STILL");
    }

    public void cures(long run) {
        at(run, Stage.DRYING);
        set(run, "cure_at = ?", now());
    }

    public void finished(long run, String finish) {
        Print p = at(run, Stage.CURING, Stage.DRYING);
        Finish how = List.of(Finish.values()).stream()
                .filter(f -> f.name().equals(finish))
                .findFirst()
                .orElseThrow(() -> new Refused("finish", "Say how it came out."));
        set(run, "done_at = ?, finish = ?", now(), how.name());
        note(
                p,
                "Finished"
                        + (how == Finish.CLEAN
                                ? ", clean and dry to the touch."
                                : how == Finish.TACKY ? ": tacky." : ": white bloom."));
    }

    /** Takes the last step back. */
    public void back(long run) {
        Print p = one(run);
        switch (p.stage()) {
            case DONE -> set(run, "done_at = null, finish = null");
            case CURING -> set(run, "cure_at = null");
            case DRYING -> set(run, "dry_at = null, drying = null");
            case WASHING_AGAIN -> set(run, "second_bath_id = null, second_at = null");
            case WASHING -> set(run, "first_bath_id = null, first_at = null, resin_ml = null, supports = null");
            default -> throw new Conflict("Nothing was done with it yet.");
        }
    }

    /** All of it at once, as it was written down elsewhere. */
    public record Whole(
            String first,
            Instant firstAt,
            String second,
            Instant secondAt,
            Instant dryAt,
            String drying,
            Instant cureAt,
            Instant doneAt,
            Finish finish,
            String supports) {}

    public void write(long run, Whole whole) {
        Print p = at(run, Stage.TO_WASH);
        begin(run);
        set(
                run,
                "supports = ?, first_bath_id = ?, first_at = ?, second_bath_id = ?, second_at = ?, resin_ml = ?, "
                        + "dry_at = ?, drying = ?, cure_at = ?, done_at = ?, finish = ?",
                whole.supports(),
                id(whole.first()),
                time(whole.firstAt()),
                id(whole.second()),
                time(whole.secondAt()),
                Math.round(10 * p.printMl() * settings.defaults().value("wash.carriedShare")) / 10.0,
                time(whole.dryAt()),
                whole.drying(),
                time(whole.cureAt()),
                time(whole.doneAt()),
                whole.finish() == null ? null : whole.finish().name());
    }

    private Long id(String bath) {
        return bath == null
                ? null
                : jdbc.sql("select id from bath where code = ?")
                        .param(bath)
                        .query(Long.class)
                        .optional()
                        .orElse(null);
    }

    /**
     * How a school fares in the shop's own records.
     *
     * @param clean prints that were neither tacky nor bloomed
     * @param washedAFill prints that the first bath took between two fillings, on average, where most went by this
     *     school; null if no filling ended
     */
    public record School(String school, SuccessRate clean, int tacky, int bloom, Double washedAFill) {}

    @Transactional(readOnly = true)
    public List<School> schools() {
        Map<String, Double> fills = new HashMap<>();
        jdbc.sql(
                        """
                select school, avg(cast(n as double precision)) from (
                  select f.id, count(*) as n, case when sum(case when w.supports = 'OFF_FIRST' then 1
                  else 0 end) * 2 > count(*) then 'OFF_FIRST' else 'AFTER' end as school
                  from bath_fill f join finishing w on w.first_bath_id = f.bath_id and w.first_at >= f.at
                    and w.first_at < (select min(x.at) from bath_fill x where x.bath_id = f.bath_id and x.at > f.at)
                  where w.supports is not null group by f.id) t group by school""")
                .query((row, i) -> fills.put(row.getString(1), row.getDouble(2)))
                .list();
        return jdbc.sql(
                        """
                select supports, count(*), sum(case when finish = 'TACKY' then 1 else 0 end), sum(case
                when finish = 'BLOOM' then 1 else 0 end) from finishing
                where done_at is not null and supports is not null group by supports order by supports desc""")
                .query((row, i) -> new School(
                        row.getString(1),
                        SuccessRate.of(row.getInt(2) - row.getInt(3) - row.getInt(4), row.getInt(2)),
                        row.getInt(3),
                        row.getInt(4),
                        fills.get(row.getString(1))))
                .list();
    }

    private Print at(long run, Stage... stages) {
        Actor.current();
        jdbc.sql("select id from run where id = ? for update")
                .param(run)
                .query(Long.class)
                .optional();
        Print p = one(run);
        if (!List.of(stages).contains(p.stage())) {
            throw new Conflict(
                    p.job() + " is " + p.stage().words() + " already. Somebody else may have gone on with it.");
        }
        return p;
    }

    private void begin(long run) {
        jdbc.sql("merge into finishing (run_id, person_id) key (run_id) values (?, ?)")
                .params(run, Actor.current().personId())
                .update();
    }

    private void set(long run, String what, Object... values) {
        Object[] all = Arrays.copyOf(values, values.length + 1);
        all[values.length] = run;
        jdbc.sql("update finishing set " + what + " where run_id = ?")
                .params(all)
                .update();
    }

    private void note(Print p, String what) {
        logbook.write(LogDraft.of(
                LogKind.FINISHED,
                machineOf(p.run()),
                "RUN",
                p.run(),
                clock.instant(),
                p.job() + ". " + what,
                Map.of("run", p.run()),
                Actor.current()));
    }

    private Long machineOf(long run) {
        return jdbc.sql("select machine_id from run where id = ?")
                .param(run)
                .query(Long.class)
                .single();
    }

    private OffsetDateTime now() {
        return time(clock.instant());
    }

    private static Print print(ResultSet row) throws SQLException {
        String finish = row.getString(17);
        String washed = row.getString(18);
        return new Print(
                row.getLong(1),
                row.getString(2),
                row.getString(3),
                row.getString(4),
                instant(row, 5),
                row.getDouble(6),
                row.getString(7),
                row.getString(8),
                instant(row, 9),
                row.getString(10),
                instant(row, 11),
                row.getObject(12, Double.class),
                instant(row, 13),
                row.getString(14),
                instant(row, 15),
                instant(row, 16),
                finish == null ? null : Finish.valueOf(finish),
                washed == null ? null : BathKind.valueOf(washed));
    }
}
