package keel.app.floor;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.fleet.ComponentKind;
import keel.app.ui.TimeScale;
import keel.app.upkeep.MachineNow;
import keel.app.upkeep.PartSpan;
import keel.core.standing.Defaults;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;
import keel.core.wear.WeibullLife;

/**
 * What was on a machine and when: a row for films, screens and light, a bar for each part from its fitting to its end, the
 * rest of its life as a band that fades, failures as ticks.
 *
 * @param now where today is, in thousandths of the width
 */
record LifeStrips(double now, List<Row> rows, List<Double> failures, List<TimeScale.Tick> dates) {

    /** One kind of part. */
    record Row(String name, List<Bar> bars, Rest rest) {}

    /** One part: x and width; {@code end} is why it ended, null while it is on or where it went elsewhere. */
    record Bar(String code, double x, double w, boolean current, String end, String title) {}

    /**
     * The rest of life of the part that is on.
     *
     * @param sure   width within which hardly any fails (10 %)
     * @param middle width within which half of them fail
     */
    record Rest(double x, double sure, double middle, String title) {}

    static LifeStrips of(MachineNow m, List<PartSpan> spans, List<Instant> failures, Defaults defaults, Instant now, ZoneId zone) {
        TimeScale scale = TimeScale.past(m.since(), now);
        Map<ComponentKind, String> kinds = new LinkedHashMap<>();
        kinds.put(ComponentKind.FILM, m.kind() == MachineKind.LASER_TANK ? "Tanks" : "Films");
        if (m.hasScreen()) {
            kinds.put(ComponentKind.SCREEN, "Screens");
        }
        kinds.put(ComponentKind.LIGHT, "Light");
        List<Row> rows = new ArrayList<>();
        kinds.forEach((kind, name) -> rows.add(row(kind, name, m, spans, defaults, now, scale)));
        return new LifeStrips(scale.x(now), rows, failures.stream().map(scale::x).toList(), scale.dates(now, zone));
    }

    private static Row row(ComponentKind kind, String name, MachineNow m, List<PartSpan> spans, Defaults defaults, Instant now, TimeScale scale) {
        List<Bar> bars = spans.stream().filter(s -> s.kind() == kind).map(s -> {
            double x = scale.x(s.from());
            double to = scale.x(s.to() == null ? now : s.to());
            String end = s.endedHere() && s.endReason() != null ? s.endReason().toLowerCase(Locale.ROOT).replace('_', ' ') : null;
            String until = s.to() == null ? "still on" : end == null ? "taken off" : "ended: " + end;
            return new Bar(s.code(), x, Math.max(2, to - x), s.to() == null, end, s.code() + ", " + until);
        }).toList();
        return new Row(name, bars, rest(kind, m, defaults, now, scale));
    }

    private static Rest rest(ComponentKind kind, MachineNow m, Defaults defaults, Instant now, TimeScale scale) {
        PartUse.Part part = switch (kind) {
            case FILM -> m.kind() == MachineKind.LASER_TANK ? PartUse.Part.TANK : PartUse.Part.FILM;
            case SCREEN -> PartUse.Part.SCREEN;
            default -> PartUse.Part.LIGHT;
        };
        var view = switch (kind) {
            case FILM -> m.film();
            case SCREEN -> m.screen();
            default -> m.light();
        };
        double pace = m.hoursPerDay() * (part.uvClock() ? m.sinceRecords().uvShare(defaults.value("uv.share")) : 1);
        if (view == null || view.endedAt() != null || pace <= 0) {
            return null;
        }
        WeibullLife life = defaults.life(part);
        double age = part.uvClock() ? view.usage().uvHours() : view.usage().hours();
        double sure = life.left(age, 0.1) / pace;
        double middle = life.left(age, 0.5) / pace;
        double x = scale.x(now);
        double room = TimeScale.WIDTH - x;
        return new Rest(x, Math.min(room, scale.width(sure)), Math.min(room, scale.width(middle)), String.format(Locale.ROOT,
                "%s: one in ten fails within %.0f days of such use, half within %.0f", view.code(), sure, middle));
    }
}
