package keel.app.standing;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.base.Rows;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Quirk;
import keel.app.fleet.Quirks;
import keel.app.fleet.ShopSettings;
import keel.core.exposure.PrintTime;
import keel.core.knowledge.Knowledge;
import keel.core.profile.ProfileSettings;
import keel.core.profile.Setting;
import keel.core.standing.Circumstances;
import keel.core.standing.Hold;
import keel.core.standing.HoldCode;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;
import keel.core.standing.ServiceKind;
import keel.core.standing.Standing;
import keel.core.standing.StateRules;
import keel.core.standing.StopGap;
import keel.core.wear.Usage;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How the machines stand now: a fixed number of queries, whatever the size of the fleet and of its history. */
@Service
@Transactional(readOnly = true)
public class Standings {

    private static final Duration FORECAST_FROM = Duration.ofDays(28);

    private final JdbcClient jdbc;
    private final Quirks quirks;
    private final PartsReading parts;
    private final PartLives lives;
    private final ShopSettings settings;
    private final Knowledge knowledge;
    private final Clock clock;

    Standings(
            JdbcClient jdbc,
            PartsReading parts,
            PartLives lives,
            ShopSettings settings,
            Knowledge knowledge,
            Clock clock,
            Quirks quirks) {
        this.quirks = quirks;
        this.jdbc = jdbc;
        this.parts = parts;
        this.lives = lives;
        this.settings = settings;
        this.knowledge = knowledge;
        this.clock = clock;
    }

    private record StandingRow(
            long id,
            String code,
            String name,
            MachineKind kind,
            String model,
            String room,
            String roomName,
            double width,
            double depth,
            double heightMm,
            Double fillLine,
            Instant since,
            double baseline,
            Instant offSince,
            boolean holdToLight,
            Instant levelledAt,
            Long vatId,
            String resin,
            double resinMl,
            StopGap stopGap) {

        MachineNow.Named named() {
            MachineNow.PlateSize plate = new MachineNow.PlateSize(width, depth, heightMm);
            return new MachineNow.Named(id, code, name, kind, model, room, roomName, plate, since);
        }
    }

    /** All machines of the shop that have not left it, by name. */
    public List<MachineNow> all() {
        return read(null);
    }

    /** @throws NotThere if no machine has this code */
    public MachineNow of(String code) {
        return read(code).stream()
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no machine called " + code + "."));
    }

    /** The open holds of a machine, most urgent first. */
    public List<Hold> holds(long machineId) {
        return holdsOf(machineId).getOrDefault(machineId, List.of());
    }

    private List<MachineNow> read(String code) {
        List<StandingRow> rows = rows(code);
        if (rows.isEmpty()) {
            return List.of();
        }
        Long only = code == null ? null : rows.get(0).id();
        Map<Long, List<PartView>> fitted = parts.fitted(only);
        Map<Long, List<Hold>> holds = holdsOf(only);
        Map<Long, List<String>> causes = causesOf(only);
        Map<String, List<Quirk>> odd = quirks.byMachine(code);
        Map<String, Usage> meters = meters(only);
        Map<Long, Double> pace = pace(only);
        Map<Long, MachineNow.OpenRun> runs = openRuns(only);
        StateRules rules = new StateRules(settings.defaults());
        PartLives.Book book = lives.book();
        return rows.stream()
                .map(row -> now(
                        row,
                        fitted.getOrDefault(row.id(), List.of()),
                        holds.getOrDefault(row.id(), List.of()),
                        causes.getOrDefault(row.id(), List.of()),
                        odd.getOrDefault(row.code(), List.of()),
                        meters,
                        pace.getOrDefault(row.id(), 0.0),
                        runs.get(row.id()),
                        rules,
                        book))
                .toList();
    }

    private MachineNow now(
            StandingRow row,
            List<PartView> fitted,
            List<Hold> holds,
            List<String> causes,
            List<Quirk> odd,
            Map<String, Usage> meters,
            double hoursPerDay,
            MachineNow.OpenRun run,
            StateRules rules,
            PartLives.Book book) {
        Map<ComponentKind, PartView> part =
                fitted.stream().collect(Collectors.toMap(PartView::kind, Function.identity(), (a, b) -> a));
        Function<String, Usage> meter = scope -> meters.getOrDefault(scope + row.id(), Usage.NONE);
        Usage total = meter.apply("MACHINE").plus(new Usage(row.baseline(), 0, 0, 0, 0));
        List<PartUse> worn = uses(row, part, book);
        double uvShare = meter.apply("MACHINE").uvShare(settings.defaults().value("uv.share"));
        Standing standing = rules.of(new Circumstances(
                row.offSince() != null,
                run != null,
                holds,
                worn,
                meter.apply("LUBRICATED").hours(),
                meter.apply("ABRADED").hours(),
                hoursPerDay,
                uvShare,
                causes,
                odd.stream().map(Quirk::text).toList(),
                row.stopGap()));
        return new MachineNow(
                row.named(),
                standing,
                holds,
                fitted(row, part),
                new MachineNow.Vessel(row.resin(), row.resinMl(), row.fillLine()),
                run,
                new MachineNow.Meters(
                        total,
                        meter.apply("MACHINE"),
                        meter.apply("LUBRICATED"),
                        meter.apply("ABRADED"),
                        meter.apply("LEVELLED"),
                        row.levelledAt(),
                        hoursPerDay),
                row.holdToLight(),
                worn,
                uvShare);
    }

    private static MachineNow.FittedParts fitted(StandingRow row, Map<ComponentKind, PartView> part) {
        return new MachineNow.FittedParts(
                part.get(ComponentKind.VAT),
                part.get(ComponentKind.FILM),
                row.kind().hasScreen() ? part.get(ComponentKind.SCREEN) : null,
                part.get(ComponentKind.PLATE),
                part.get(ComponentKind.LIGHT));
    }

    private static List<PartUse> uses(StandingRow row, Map<ComponentKind, PartView> parts, PartLives.Book book) {
        List<PartUse> uses = new ArrayList<>();
        PartUse.UsedPart lining = row.kind() == MachineKind.LASER_TANK ? PartUse.UsedPart.TANK : PartUse.UsedPart.FILM;
        use(row, parts.get(ComponentKind.FILM), lining, row.kind().lining(), book)
                .ifPresent(uses::add);
        if (row.kind().hasScreen()) {
            use(row, parts.get(ComponentKind.SCREEN), PartUse.UsedPart.SCREEN, "Screen", book)
                    .ifPresent(uses::add);
        }
        use(row, parts.get(ComponentKind.LIGHT), PartUse.UsedPart.LIGHT, "Light engine", book)
                .ifPresent(uses::add);
        return uses;
    }

    private static Optional<PartUse> use(
            StandingRow row, PartView part, PartUse.UsedPart kind, String words, PartLives.Book book) {
        return part == null
                ? Optional.empty()
                : Optional.of(new PartUse(kind, words + " " + part.code(), part.usage(), book.of(kind, row.model())));
    }

    private List<StandingRow> rows(String code) {
        return jdbc.sql(
                        """
                select m.id, m.code, m.name, o.kind, o.name, r.code, r.name, o.plate_width_mm, o.plate_depth_mm,
                o.fill_line_ml, m.since,
                  m.baseline_hours, s.off_since, coalesce(s.hold_to_light, false), s.levelled_at, s.vat_id,
                  s.vat_resin, coalesce(s.vat_ml, 0), o.plate_height_mm, s.stop_gap_since, s.stop_gap_hours
                from machine m join machine_model o on o.id = m.model_id join room r on r.id = m.room_id
                left join machine_standing s on s.machine_id = m.id
                where (cast(:code as varchar) is null and m.retired_at is null) or m.code = :code order by m.name""")
                .param("code", code)
                .query((row, i) -> new StandingRow(
                        row.getLong(1),
                        row.getString(2),
                        row.getString(3),
                        MachineKind.valueOf(row.getString(4)),
                        row.getString(5),
                        row.getString(6),
                        row.getString(7),
                        row.getDouble(8),
                        row.getDouble(9),
                        row.getDouble(19),
                        row.getObject(10, Double.class),
                        Rows.instant(row, 11),
                        row.getDouble(12),
                        Rows.instant(row, 13),
                        row.getBoolean(14),
                        Rows.instant(row, 15),
                        row.getObject(16, Long.class),
                        row.getString(17),
                        row.getDouble(18),
                        stopGap(row)))
                .list();
    }

    private StopGap stopGap(ResultSet row) throws SQLException {
        Instant since = Rows.instant(row, 20);
        return since == null
                ? null
                : new StopGap(since, row.getDouble(21), settings.defaults().value("stopgap.everyHours"));
    }

    private Map<Long, List<Hold>> holdsOf(Long only) {
        Map<Long, List<Hold>> holds = new HashMap<>();
        jdbc.sql("select machine_id, code, since, text, next_service from open_hold where machine_id = :only "
                        + "or cast(:only as bigint) is null order by machine_id, rank")
                .param("only", only)
                .query((row, i) -> holds.computeIfAbsent(row.getLong(1), id -> new ArrayList<>())
                        .add(new Hold(
                                HoldCode.of(row.getString(2)),
                                Rows.instant(row, 3),
                                row.getString(4),
                                ServiceKind.valueOf(row.getString(5)))))
                .list();
        return holds;
    }

    private Map<Long, List<String>> causesOf(Long only) {
        Map<Long, List<String>> causes = new HashMap<>();
        jdbc.sql("select machine_id, cause from open_cause where machine_id = :only or cast(:only as bigint) "
                        + "is null order by failure_id desc")
                .param("only", only)
                .query((row, i) -> causes.computeIfAbsent(row.getLong(1), id -> new ArrayList<>())
                        .add(knowledge
                                .cause(row.getString(2))
                                .map(c -> c.name())
                                .orElse(row.getString(2))))
                .list();
        return causes;
    }

    private Map<String, Usage> meters(Long only) {
        Map<String, Usage> meters = new HashMap<>();
        jdbc.sql("select scope, owner_id, hours, uv_hours, layers, prints, resin_ml from meter where scope "
                        + "<> 'COMPONENT' "
                        + "and (owner_id = :only or cast(:only as bigint) is null)")
                .param("only", only)
                .query((row, i) -> meters.put(row.getString(1) + row.getLong(2), usage(row, 3)))
                .list();
        return meters;
    }

    private Map<Long, Double> pace(Long only) {
        Map<Long, Double> pace = new HashMap<>();
        jdbc.sql(
                        """
                select machine_id, cast(sum(datediff(minute, started_at, ended_at)) as double precision) / 60 /
                :days from run
                where started_at >= :from and ended_at is not null and not withdrawn and (machine_id = :only
                or cast(:only as bigint) is null)
                group by machine_id""")
                .param("days", FORECAST_FROM.toDays())
                .param("from", Rows.time(clock.instant().minus(FORECAST_FROM)))
                .param("only", only)
                .query((row, i) -> pace.put(row.getLong(1), row.getDouble(2)))
                .list();
        return pace;
    }

    private Map<Long, MachineNow.OpenRun> openRuns(Long only) {
        Map<Long, MachineNow.OpenRun> runs = new HashMap<>();
        Map<Long, ProfileSettings> profiles = profilesOfOpenRuns();
        jdbc.sql(
                        """
                select r.machine_id, r.id, r.job, r.started_at, r.layers, p.hours, p.layers, r.layer_exposure_s,
                r.profile_version_id from run r
                left join meter p on p.scope = 'MACHINE' and p.owner_id = r.machine_id
                where r.ended_at is null and not r.withdrawn and (r.machine_id = :only
                or cast(:only as bigint) is null)""")
                .param("only", only)
                .query((row, i) -> runs.put(row.getLong(1), openRun(row, profiles.get(row.getLong(9)))))
                .list();
        return runs;
    }

    private Map<Long, ProfileSettings> profilesOfOpenRuns() {
        Map<Long, Map<Setting, Double>> amounts = new HashMap<>();
        jdbc.sql(
                        """
                select s.version_id, s.setting, s.amount from profile_setting s
                where s.version_id in (select r.profile_version_id from run r where r.ended_at is null
                and not r.withdrawn)""")
                .query((row, i) -> amounts.computeIfAbsent(row.getLong(1), id -> new EnumMap<>(Setting.class))
                        .put(Setting.valueOf(row.getString(2)), row.getDouble(3)))
                .list();
        return amounts.entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, e -> ProfileSettings.of(e.getValue())));
    }

    /** By its profile, or by the pace of this machine's layers so far. */
    private static MachineNow.OpenRun openRun(ResultSet row, ProfileSettings profile) throws SQLException {
        Instant started = Rows.instant(row, 4);
        int layers = row.getInt(5);
        double exposureS = row.getDouble(8);
        PrintTime.Settings timing = profile != null
                ? profile.with(Setting.EXPOSURE_S, exposureS).timing(layers)
                : row.getLong(7) > 0
                        ? PrintTime.Settings.even(layers, exposureS, row.getDouble(6) * 3600 / row.getLong(7))
                        : null;
        return new MachineNow.OpenRun(
                row.getLong(2),
                row.getString(3),
                started,
                layers,
                timing == null
                        ? null
                        : started.plusSeconds(Math.round(PrintTime.of(timing).seconds())),
                timing,
                profile == null ? null : Double.valueOf(profile.value(Setting.LAYER_MM)));
    }

    static Usage usage(ResultSet row, int first) throws SQLException {
        return new Usage(
                row.getDouble(first),
                row.getDouble(first + 1),
                row.getLong(first + 2),
                row.getLong(first + 3),
                row.getDouble(first + 4));
    }
}
