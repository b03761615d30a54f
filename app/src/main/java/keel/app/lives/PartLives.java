package keel.app.lives;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import keel.app.fleet.ShopSettings;
import keel.core.life.AgeReplacement;
import keel.core.life.CompetingLives;
import keel.core.life.Life;
import keel.core.life.Survival;
import keel.core.life.WeibullFit;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import keel.core.wear.WeibullLife;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Lives of films, tanks and screens as the records know them, fitted for each kind and size. */
@Service
@Transactional(readOnly = true)
public class PartLives {

    /** Ends that say nothing of how long such a part lasts. */
    private static final Set<String> NOT_BY_ITSELF = Set.of("PLANNED", "OTHER");
    /** Ends that come with use; all others come by accident. */
    private static final Set<String> BY_WEAR = Set.of("CLOUDED", "SLACK", "DARK_PIXELS", "LIT_PIXELS");
    private static final int ENDS_TO_CHOOSE_A_CLOCK = 5;

    private final JdbcClient jdbc;
    private final ShopSettings settings;

    PartLives(JdbcClient jdbc, ShopSettings settings) {
        this.jdbc = jdbc;
        this.settings = settings;
    }

    /** What a part's life is counted by. */
    public enum Clock {
        HOURS("print hours", "h"), UV_HOURS("UV hours", "UV h"), PEELS("thousand peels", "k peels");

        private final String words;
        private final String unit;

        Clock(String words, String unit) {
            this.words = words;
            this.unit = unit;
        }

        public String words() {
            return words;
        }

        public String unit() {
            return unit;
        }
    }

    /** A part with what it has done; {@code where} is the machine or vat that it is in, null if it ended. */
    public record Part(String code, PartUse.Part kind, String model, double hours, double uvHours, double thousandPeels, Instant endedAt, String endReason, String where, boolean fitted) {

        double age(Clock clock) {
            return switch (clock) {
                case HOURS -> hours;
                case UV_HOURS -> uvHours;
                case PEELS -> thousandPeels;
            };
        }

        boolean endedByItself() {
            return endedAt != null && endReason != null && !NOT_BY_ITSELF.contains(endReason);
        }
    }

    /**
     * The two ways in which parts end, each with the age by which half would have ended if there were no other.
     *
     * @param accidents ends by accident, {@code worn} ends by wear
     */
    public record Ways(int accidents, double halfByAccident, int worn, double halfByWear) {}

    /** A part in service with what is left of it on the clock. */
    public record Left(Part part, double age, double failsInJob, double median, double tenPercent) {}

    /**
     * Parts of one kind and size together.
     *
     * @param clock     that explains them best, or the usual one while too few have ended
     * @param chosen    whether it was chosen by the records
     * @param fit       from what is usual and the records
     * @param causes    how many ended by what, most first
     * @param inService those that are in a vat or machine now, with what is left
     * @param replace   when to change, by the shop's costs
     * @param ways      by accident and by wear; null where none has ended
     */
    public record Group(PartUse.Part kind, String model, Clock clock, boolean chosen, int ends, int lives, WeibullFit fit, Survival survival, Map<String, Long> causes, List<Left> inService,
                        AgeReplacement replace, double plannedCost, double failureCost, Ways ways) {

        /** Whether enough have ended here for the records to speak for themselves. */
        public boolean known() {
            return ends >= ENDS_TO_CHOOSE_A_CLOCK;
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
        Clock usual = kind.uvClock() ? Clock.UV_HOURS : Clock.HOURS;
        Map<Clock, Double> explained = explanations(parts);
        Clock clock = explained.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey).orElse(usual);
        List<Life> lives = lives(parts, clock);
        long ends = lives.stream().filter(Life::ended).count();
        WeibullLife before = defaults.life(kind);
        WeibullLife usualLife = new WeibullLife(before.shape(), before.scale() * pace(parts, clock, usual));
        WeibullFit fit = WeibullFit.bayes(lives, WeibullFit.Prior.around(usualLife));
        double planned = defaults.value(kind.prefix() + ".plannedCost");
        double failure = defaults.value(kind.prefix() + ".failureCost");
        double job = defaults.value("job.typicalHours") * pace(parts, clock, Clock.HOURS);
        List<Left> left = parts.stream().filter(p -> p.endedAt() == null && p.fitted()).map(p -> left(p, fit, clock, job)).sorted(Comparator.comparing(Left::failsInJob).reversed()).toList();
        Map<String, Long> causes = parts.stream().filter(p -> p.endedAt() != null && p.endReason() != null).collect(Collectors.groupingBy(Part::endReason, Collectors.counting()));
        Map<String, Long> sorted = new LinkedHashMap<>();
        causes.entrySet().stream().sorted(Map.Entry.<String, Long>comparingByValue().reversed().thenComparing(Map.Entry.comparingByKey())).forEach(e -> sorted.put(e.getKey(), e.getValue()));
        return new Group(kind, parts.get(0).model(), clock, !explained.isEmpty(), (int) ends, lives.size(), fit, Survival.of(lives), sorted, left,
                AgeReplacement.of(fit.life(), planned, failure), planned, failure, ways(parts, clock, usualLife));
    }

    private static Ways ways(List<Part> parts, Clock clock, WeibullLife usual) {
        List<Part> aged = parts.stream().filter(p -> p.age(clock) > 0).toList();
        List<Integer> way = aged.stream().map(p -> BY_WEAR.contains(String.valueOf(p.endReason())) ? 1 : 0).toList();
        int ended = (int) aged.stream().filter(Part::endedByItself).count();
        int worn = (int) aged.stream().filter(p -> p.endedByItself() && BY_WEAR.contains(p.endReason())).count();
        if (ended == 0) {
            return null;
        }
        CompetingLives both = CompetingLives.fitted(lives(parts, clock), way, 2, usual);
        return new Ways(ended - worn, both.ways().get(0).ageWhenFailed(0, 0.5), worn, both.ways().get(1).ageWhenFailed(0, 0.5));
    }

    /** So much of one clock passes in a unit of another, over all these parts; 1 where nothing has passed. */
    private static double pace(List<Part> parts, Clock clock, Clock than) {
        double one = parts.stream().mapToDouble(p -> p.age(clock)).sum();
        double other = parts.stream().mapToDouble(p -> p.age(than)).sum();
        return one > 0 && other > 0 ? one / other : 1;
    }

    private static Left left(Part p, WeibullFit fit, Clock clock, double job) {
        double age = p.age(clock);
        return new Left(p, age, fit.life().failsWithin(age, job), fit.life().left(age, 0.5), fit.life().left(age, 0.1));
    }

    private static List<Life> lives(List<Part> parts, Clock clock) {
        return parts.stream().filter(p -> p.age(clock) > 0).map(p -> new Life(p.age(clock), p.endedByItself())).toList();
    }

    /** Which clock explains the ends best; empty where too few ended to tell. */
    static Map<Clock, Double> explanations(List<Part> parts) {
        Map<Clock, Double> explained = new LinkedHashMap<>();
        for (Clock clock : Clock.values()) {
            List<Life> lives = lives(parts, clock);
            if (lives.stream().filter(Life::ended).count() >= ENDS_TO_CHOOSE_A_CLOCK && differ(lives) && lives.size() == lives(parts, Clock.HOURS).size()) {
                explained.put(clock, WeibullFit.explanation(lives));
            }
        }
        return explained;
    }

    private static boolean differ(List<Life> lives) {
        return lives.stream().filter(Life::ended).mapToDouble(Life::hours).distinct().count() > 1;
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
                    return new Part(row.getString("code"), kind, row.getString("model"), row.getDouble("hours"), row.getDouble("uv_hours"), row.getDouble("peels"),
                            ended == null ? null : ended.toInstant(), row.getString("end_reason"), row.getString("place"), row.getObject("now_fitted") != null);
                }).list().stream().filter(p -> p.model() != null).toList();
    }
}
