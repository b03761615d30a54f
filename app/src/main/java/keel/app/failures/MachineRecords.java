package keel.app.failures;

import static keel.app.base.Rows.instant;
import static keel.app.base.Rows.time;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.app.fleet.MachineRef;
import keel.app.fleet.ShopSettings;
import keel.core.history.HistoryFacts;
import keel.core.history.PartAges;
import keel.core.history.Past;
import keel.core.profile.Setting;
import keel.core.run.Outcome;
import keel.core.standing.Defaults;
import keel.core.standing.MachineKind;
import keel.core.standing.ServiceKind;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Reads what a machine's records say of it at a moment, a fixed number of statements whatever it has done, and derives
 * the facts in core.
 */
@Component
class MachineRecords {

    private static final Duration LOOKED_BACK = Duration.ofDays(90);
    private static final Duration SOON_AFTER = Duration.ofHours(24);
    private static final ObjectMapper JSON = new ObjectMapper();

    private final JdbcClient jdbc;
    private final ShopSettings settings;

    MachineRecords(JdbcClient jdbc, ShopSettings settings) {
        this.jdbc = jdbc;
        this.settings = settings;
    }

    /**
     * Facts of history of a machine for a failure.
     *
     * @param run id of the run that failed, null if nobody said
     * @param failure as it was seen
     * @param self id of the failure, null if it is not recorded
     */
    Set<String> facts(MachineRef machine, Long run, Past.Failed failure, Long self) {
        Defaults defaults = settings.defaults();
        Window window = new Window(machine.id(), time(failure.at().minus(LOOKED_BACK)), time(failure.at()));
        List<Past> past = new ArrayList<>();
        Past.Printed print = prints(window, run == null ? unclaimed(window) : run, failure.at(), past);
        failures(window, self, past);
        services(window, past);
        pours(window, past);
        profiles(window, past);
        warmth(window, past);
        MachineKind kind = machine.traits().kind();
        PartAges ages = ages(machine, failure.at(), defaults);
        return new HistoryFacts(defaults).of(past, ages, kind, machine.traits().selfLevelling(), print, failure);
    }

    private record Window(long machine, OffsetDateTime from, OffsetDateTime to) {}

    private Past.Printed prints(Window w, Long run, Instant seenAt, List<Past> past) {
        Past.Printed[] failed = new Past.Printed[1];
        jdbc.sql(
                        """
                select id, started_at, ended_at, outcome, coalesce(reached_layer, layers) * layer_exposure_s / 3600,
                resin_ml from run
                where machine_id = ? and started_at >= ? and started_at <= ? and not withdrawn order by started_at""")
                .params(w.machine(), w.from(), w.to())
                .query((row, i) -> {
                    Instant started = instant(row, 2);
                    boolean open = row.getObject(3) == null;
                    Instant ended = open ? seenAt : instant(row, 3);
                    Past.Printed print = new Past.Printed(
                            started,
                            ended,
                            open ? Outcome.FAILED : Outcome.valueOf(row.getString(4)),
                            Duration.between(started, ended).toSeconds() / 3600.0,
                            row.getDouble(5),
                            row.getDouble(6));
                    if (run != null && run == row.getLong(1)) {
                        failed[0] = print;
                    }
                    return open && failed[0] != print || past.add(print);
                })
                .list();
        return failed[0];
    }

    /**
     * The run that a failure without one most likely belongs to: the last one, if it went wrong shortly before and
     * nobody logged a failure since.
     */
    private Long unclaimed(Window w) {
        return jdbc.sql(
                        """
                select r.id from run r where r.machine_id = :machine and not r.withdrawn and r.ended_at <= :at
                and r.ended_at >= :lately and r.outcome <> 'GOOD'
                  and r.started_at = (select max(l.started_at) from run l where l.machine_id = :machine
                  and not l.withdrawn and l.started_at <= :at)
                  and not exists (select 1 from failure f where f.machine_id = :machine and not f.withdrawn
                  and f.seen_at >= r.ended_at and f.seen_at < :at)""")
                .param("machine", w.machine())
                .param("at", w.to())
                .param("lately", w.to().minus(SOON_AFTER))
                .query(Long.class)
                .optional()
                .orElse(null);
    }

    private void failures(Window w, Long self, List<Past> past) {
        jdbc.sql(
                        """
                select f.seen_at, (select listagg(s.symptom, ',') from failure_symptom s where s.failure_id = f.id
                and s.present),
                  (select listagg(z.zone, ',') from failure_zone z where z.failure_id = f.id)
                from failure f where f.machine_id = ? and f.seen_at >= ? and f.seen_at <= ? and not f.withdrawn
                and f.id <> ?""")
                .params(w.machine(), w.from(), w.to(), self == null ? -1L : self)
                .query((row, i) ->
                        past.add(new Past.Failed(instant(row, 1), codes(row.getString(2)), codes(row.getString(3)))))
                .list();
        jdbc.sql(
                        """
                select c.at, c.found from failure_check c join failure f on f.id = c.failure_id
                where f.machine_id = ? and c.at >= ? and c.at <= ? and not c.withdrawn and not f.withdrawn
                and c.found <> ''""")
                .params(w.machine(), w.from(), w.to())
                .query((row, i) -> past.add(new Past.Found(instant(row, 1), codes(row.getString(2)))))
                .list();
    }

    private void services(Window w, List<Past> past) {
        jdbc.sql("select at, kind, content from service where machine_id = ? and at >= ? and at <= ? and not withdrawn")
                .params(w.machine(), w.from(), w.to())
                .query((row, i) -> past.add(new Past.Serviced(
                        instant(row, 1), ServiceKind.valueOf(row.getString(2)), yes(row.getString(3)))))
                .list();
    }

    /** Names of the fields that were answered with yes, and the work that was done. */
    private static Set<String> yes(String content) {
        Set<String> yes = new HashSet<>();
        try {
            JSON.readTree(content).properties().forEach(e -> {
                JsonNode value = e.getValue();
                if (value.isBoolean() && value.booleanValue()) {
                    yes.add(e.getKey());
                } else if (e.getKey().equals("work")) {
                    yes.add(value.asText());
                }
            });
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A service's content is no JSON: " + content, e);
        }
        return yes;
    }

    private void pours(Window w, List<Past> past) {
        jdbc.sql(
                        """
                select p.at, r.code, p.ml from pour p join resin r on r.id = p.resin_id join fitting f
                on f.component_id = p.vat_id and f.machine_id = ?
                  and f.fitted_at <= p.at and (f.removed_at is null or f.removed_at > p.at)
                where p.at >= ? and p.at <= ? and not p.withdrawn""")
                .params(w.machine(), w.from(), w.to())
                .query((row, i) -> past.add(new Past.Poured(instant(row, 1), row.getString(2), row.getDouble(3))))
                .list();
    }

    /** Every version since the first, each against the first of its resin. */
    private void profiles(Window w, List<Past> past) {
        Map<Long, Map<Setting, Double>> first = new HashMap<>();
        Map<Long, Map<Setting, Double>> amounts = new HashMap<>();
        record Version(long id, long profile, int number, String resin, Instant at) {}
        Map<Long, Version> versions = new LinkedHashMap<>();
        jdbc.sql(
                        """
                select v.id, v.profile_id, v.number, r.code, v.made_at, s.setting, s.amount from profile p
                join resin r on r.id = p.resin_id
                join profile_version v on v.profile_id = p.id join profile_setting s on s.version_id = v.id
                where p.machine_id = ? and v.made_at <= ? order by v.profile_id, v.number""")
                .params(w.machine(), w.to())
                .query((row, i) -> {
                    versions.putIfAbsent(
                            row.getLong(1),
                            new Version(
                                    row.getLong(1), row.getLong(2), row.getInt(3), row.getString(4), instant(row, 5)));
                    return amounts.computeIfAbsent(row.getLong(1), id -> new EnumMap<>(Setting.class))
                            .put(Setting.valueOf(row.getString(6)), row.getDouble(7));
                })
                .list();
        for (Version v : versions.values()) {
            Map<Setting, Double> now = amounts.get(v.id());
            Map<Setting, Double> before = first.putIfAbsent(v.profile(), now);
            if (before != null) {
                past.add(new Past.Changed(v.at(), v.resin(), against(before, now)));
            }
        }
    }

    private static Map<Setting, Double> against(Map<Setting, Double> first, Map<Setting, Double> now) {
        Map<Setting, Double> ratios = new EnumMap<>(Setting.class);
        now.forEach((setting, amount) -> {
            double was = first.getOrDefault(setting, amount);
            ratios.put(setting, was == 0 ? 1.0 : amount / was);
        });
        return ratios;
    }

    private void warmth(Window w, List<Past> past) {
        jdbc.sql(
                        """
                select t.at, t.temperature_c from room_reading t join machine m on m.room_id = t.room_id
                where m.id = :machine and t.at >= :from and t.at <= :to and not t.withdrawn
                union all select dateadd(second, x.at_s, timestamp with time zone '1970-01-01 00:00:00+00'),
                x.temperature_c from sensor_rollup x join sensor s on s.id = x.sensor_id join machine m
                on m.room_id = s.room_id
                where m.id = :machine and x.span_s = 3600 and x.at_s >= :fromS and x.at_s <= :toS
                and x.temperature_c is not null""")
                .param("machine", w.machine())
                .param("from", w.from())
                .param("to", w.to())
                .param("fromS", w.from().toEpochSecond())
                .param("toS", w.to().toEpochSecond())
                .query((row, i) -> past.add(new Past.Warmth(instant(row, 1), row.getDouble(2))))
                .list();
    }

    // ---- how far its parts were in their lives

    private static final String HOURS =
            "coalesce(cast(sum(datediff(second, r.started_at, r.ended_at)) as double precision) / 3600, 0)";
    private static final String UV_HOURS =
            "coalesce(cast(sum(coalesce(r.reached_layer, r.layers) * r.layer_exposure_s) as double precision) / "
                    + "3600, 0)";

    private PartAges ages(MachineRef machine, Instant at, Defaults d) {
        boolean tank = machine.traits().kind() == MachineKind.LASER_TANK;
        return new PartAges(
                share(film(machine.id(), at), d.value((tank ? "tank" : "film") + ".scaleHours")),
                share(fitted(machine.id(), "SCREEN", UV_HOURS, "baseline_uv_hours", at), d.value("screen.scaleHours")),
                share(fitted(machine.id(), "LIGHT", HOURS, "baseline_hours", at), d.value("light.scaleHours")),
                share(since(machine.id(), "kind = 'LUBRICATION'", at), d.value("lubrication.everyHours")),
                share(
                        since(machine.id(), "kind = 'PLATE_WORK' and content not like '%DEBURRED%'", at),
                        d.value("abrading.everyHours")));
    }

    private static Double share(Double hours, double life) {
        return hours == null ? null : Double.valueOf(hours / life);
    }

    private Double film(long machine, Instant at) {
        return jdbc.sql(
                        "select " + HOURS
                                + """
                 + c.baseline_hours from fitting vf join fitting ff on ff.vat_id = vf.component_id
                 and ff.fitted_at <= :at and (ff.removed_at is null or ff.removed_at > :at)
                join component c on c.id = ff.component_id
                left join fitting wv on wv.component_id = vf.component_id
                left join run r on r.machine_id = wv.machine_id
                and r.started_at >= greatest(wv.fitted_at, ff.fitted_at) and (wv.removed_at is null
                or r.started_at < wv.removed_at)
                  and r.ended_at <= :at and not r.withdrawn
                where vf.machine_id = :machine and vf.fitted_at <= :at and (vf.removed_at is null
                or vf.removed_at > :at) group by c.id, c.baseline_hours""")
                .param("at", time(at))
                .param("machine", machine)
                .query(Double.class)
                .optional()
                .orElse(null);
    }

    private Double fitted(long machine, String kind, String sum, String baseline, Instant at) {
        return jdbc.sql("select " + sum + " + c." + baseline
                        + """
                 from fitting f join component c on c.id = f.component_id and c.kind = :kind
                left join run r on r.machine_id = f.machine_id and r.started_at >= f.fitted_at
                and r.ended_at <= :at and not r.withdrawn
                where f.machine_id = :machine and f.fitted_at <= :at and (f.removed_at is null
                or f.removed_at > :at) group by c.id, c."""
                        + baseline)
                .param("kind", kind)
                .param("at", time(at))
                .param("machine", machine)
                .query(Double.class)
                .optional()
                .orElse(null);
    }

    private Double since(long machine, String which, Instant at) {
        return jdbc.sql("select " + HOURS
                        + " from run r where r.machine_id = :machine and r.ended_at <= :at and not r.withdrawn and "
                        + "r.started_at >= coalesce("
                        + "(select max(at) from service where machine_id = :machine and at <= :at and not withdrawn "
                        + "and "
                        + which
                        + "), timestamp with time zone '1970-01-01 00:00:00+00')")
                .param("at", time(at))
                .param("machine", machine)
                .query(Double.class)
                .single();
    }

    private static Set<String> codes(String joined) {
        return joined == null || joined.isEmpty() ? Set.of() : Set.of(joined.split(","));
    }
}
