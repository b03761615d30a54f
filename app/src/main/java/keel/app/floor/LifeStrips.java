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
import keel.app.upkeep.PartView;
import keel.app.upkeep.RestOfLife;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;

/**
 * What was on a machine and when: a row for films, screens and light, a bar for each part from its fitting to its end, the
 * rest of its life as a band that fades, failures as ticks.
 *
 * @param now where today is, in thousandths of the width
 */
record LifeStrips(double now, List<Row> rows, List<Double> failures, List<TimeScale.Tick> dates) {

    /** One kind of part. */
    record Row(String name, List<Bar> bars, RestOfLife rest) {}

    /** One part: x and width; {@code end} is why it ended, null while it is on or where it went elsewhere. */
    record Bar(String code, double x, double w, boolean current, String end, String title) {}

    static LifeStrips of(MachineNow m, List<PartSpan> spans, List<Instant> failures, Instant now, ZoneId zone) {
        TimeScale scale = TimeScale.past(m.since(), now);
        Map<ComponentKind, String> kinds = new LinkedHashMap<>();
        kinds.put(ComponentKind.FILM, m.kind() == MachineKind.LASER_TANK ? "Tanks" : "Films");
        if (m.hasScreen()) {
            kinds.put(ComponentKind.SCREEN, "Screens");
        }
        kinds.put(ComponentKind.LIGHT, "Light");
        List<Row> rows = new ArrayList<>();
        kinds.forEach((kind, name) -> rows.add(row(kind, name, m, spans, now, scale)));
        return new LifeStrips(scale.x(now), rows, failures.stream().map(scale::x).toList(), scale.dates(now, zone));
    }

    private static Row row(ComponentKind kind, String name, MachineNow m, List<PartSpan> spans, Instant now, TimeScale scale) {
        List<Bar> bars = spans.stream().filter(s -> s.kind() == kind).map(s -> {
            double x = scale.x(s.from());
            double to = scale.x(s.to() == null ? now : s.to());
            String end = s.endedHere() && s.endReason() != null ? s.endReason().toLowerCase(Locale.ROOT).replace('_', ' ') : null;
            String until = s.to() == null ? "still on" : end == null ? "taken off" : "ended: " + end;
            return new Bar(s.code(), x, Math.max(2, to - x), s.to() == null, end, s.code() + ", " + until);
        }).toList();
        return new Row(name, bars, rest(kind, m, now, scale));
    }

    private static RestOfLife rest(ComponentKind kind, MachineNow m, Instant now, TimeScale scale) {
        PartUse part = kind == ComponentKind.FILM ? m.liningUse() : kind == ComponentKind.SCREEN ? m.screenUse() : m.worn(PartUse.Part.LIGHT);
        PartView view = kind == ComponentKind.FILM ? m.film() : kind == ComponentKind.SCREEN ? m.screen() : m.light();
        return part == null || view.endedAt() != null ? null : RestOfLife.of(part, m.hoursPerDay(), m.uvShare(), scale, now).orElse(null);
    }
}
