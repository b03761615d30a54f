package keel.app.lives;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import keel.app.fleet.ShopSettings;
import keel.core.life.AgeReplacement;
import keel.core.life.KindOfLife;
import keel.core.life.LifeClock;
import keel.core.life.Lived;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import keel.core.wear.WeibullLife;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Lives of films, tanks and screens as the records know them, for each kind and size. */
@Service
@Transactional(readOnly = true)
public class PartLives {

    private final JdbcClient jdbc;
    private final ShopSettings settings;

    PartLives(JdbcClient jdbc, ShopSettings settings) {
        this.jdbc = jdbc;
        this.settings = settings;
    }

    /** A part with what it has been through; {@code where} is the machine or vat that it was in last. */
    public record Part(String code, PartUse.Part kind, String model, Lived lived, boolean ended, String where, boolean fitted) {}

    /** A part in service with what is left of it on the clock. */
    public record Left(Part part, double age, double failsInJob, double median) {}

    /**
     * Parts of one kind and size together.
     *
     * @param life      how long they last
     * @param causes    how many ended by what, most first
     * @param inService those that are in a vat or machine now, with what is left
     * @param replace   when to change, by the shop's costs
     */
    public record Group(PartUse.Part kind, String model, KindOfLife life, Map<String, Long> causes, List<Left> inService, AgeReplacement replace, double plannedCost, double failureCost) {

        public LifeClock clock() {
            return life.clock();
        }
    }

    /** All kinds and sizes of which there is any, films first. */
    public List<Group> groups() {
        Defaults defaults = settings.defaults();
        Map<String, List<Part>> byKind = all().stream().collect(Collectors.groupingBy(p -> p.kind().ordinal() + " " + p.model(), TreeMap::new, Collectors.toList()));
        List<Group> groups = new ArrayList<>();
        byKind.values().forEach(parts -> groups.add(group(parts, defaults)));
        return groups;
    }

    private static Group group(List<Part> parts, Defaults defaults) {
        PartUse.Part kind = parts.get(0).kind();
        KindOfLife life = KindOfLife.of(parts.stream().map(Part::lived).toList(), defaults.life(kind), kind.uvClock() ? LifeClock.UV_HOURS : LifeClock.HOURS);
        double planned = defaults.value(kind.prefix() + ".plannedCost");
        double failure = defaults.value(kind.prefix() + ".failureCost");
        double job = defaults.value("job.typicalHours") * life.clockPerHour();
        List<Left> left = parts.stream().filter(p -> !p.ended() && p.fitted()).map(p -> left(p, life, job)).sorted(Comparator.comparing(Left::failsInJob).reversed()).toList();
        return new Group(kind, parts.get(0).model(), life, causes(parts), left, AgeReplacement.of(life.fit().life(), planned, failure), planned, failure);
    }

    private static Map<String, Long> causes(List<Part> parts) {
        Map<String, Long> sorted = new LinkedHashMap<>();
        parts.stream().filter(p -> p.lived().endReason() != null).collect(Collectors.groupingBy(p -> p.lived().endReason(), Collectors.counting())).entrySet().stream()
                .sorted(Map.Entry.<String, Long>comparingByValue().reversed().thenComparing(Map.Entry.comparingByKey())).forEach(e -> sorted.put(e.getKey(), e.getValue()));
        return sorted;
    }

    private static Left left(Part p, KindOfLife of, double job) {
        WeibullLife life = of.fit().life();
        double age = p.lived().age(of.clock());
        return new Left(p, age, life.failsWithin(age, job), life.left(age, 0.5));
    }

    private List<Part> all() {
        return jdbc.sql("""
                select c.code, c.kind, coalesce(o.name, vo.name) as model, coalesce(o.kind, vo.kind) as machine_kind, coalesce(t.hours, 0) + c.baseline_hours as hours,
                  coalesce(t.uv_hours, 0) + c.baseline_uv_hours as uv_hours, (coalesce(t.layers, 0) + c.baseline_layers) / 1000.0 as peels, c.ended_at, c.end_reason,
                  coalesce(m.name, 'vat ' || v.code) as place, f.id as now_fitted
                from component c
                left join fitting l on l.id = (select max(x.id) from fitting x where x.component_id = c.id)
                left join component v on v.id = l.vat_id left join machine_model vo on vo.id = v.model_id left join machine m on m.id = l.machine_id
                left join fitting f on f.id = l.id and f.removed_at is null
                left join machine_model o on o.id = c.model_id left join meter t on t.scope = 'COMPONENT' and t.owner_id = c.id
                where c.kind in ('FILM', 'SCREEN') and not c.withdrawn order by c.kind, c.number""")
                .query((row, i) -> {
                    OffsetDateTime ended = row.getObject("ended_at", OffsetDateTime.class);
                    PartUse.Part kind = row.getString("kind").equals("SCREEN") ? PartUse.Part.SCREEN : "LASER_TANK".equals(row.getString("machine_kind")) ? PartUse.Part.TANK : PartUse.Part.FILM;
                    Lived lived = new Lived(row.getDouble("hours"), row.getDouble("uv_hours"), row.getDouble("peels"), ended == null ? null : row.getString("end_reason"));
                    return new Part(row.getString("code"), kind, row.getString("model"), lived, ended != null, row.getString("place"), row.getObject("now_fitted") != null);
                }).list().stream().filter(p -> p.model() != null).toList();
    }
}
