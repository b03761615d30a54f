package keel.app.floor.web;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.TimeScale;
import keel.app.fleet.ComponentKind;
import keel.app.standing.LifeStrip;
import keel.app.standing.MachineNow;
import keel.app.standing.PartSpan;
import keel.app.standing.PartView;
import keel.app.standing.RestOfLife;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;

/**
 * What was on a machine and when: a row for films, screens and light, a bar for each part from its fitting to its end,
 * the rest of its life as a band that fades, failures as ticks.
 *
 * @param now where today is, in thousandths of the width
 */
public record LifeStrips(double now, List<StripRow> rows, List<Double> failures, List<TimeScale.Tick> dates) {

    /** One kind of part. */
    public record StripRow(String name, List<LifeStrip.Bar> bars, RestOfLife rest) {}

    public static LifeStrips of(MachineNow m, List<PartSpan> spans, List<Instant> failures, Instant now, ZoneId zone) {
        TimeScale scale = TimeScale.past(m.since(), now);
        Map<ComponentKind, String> kinds = new LinkedHashMap<>();
        kinds.put(ComponentKind.FILM, m.kind() == MachineKind.LASER_TANK ? "Tanks" : "Films");
        if (m.hasScreen()) {
            kinds.put(ComponentKind.SCREEN, "Screens");
        }
        kinds.put(ComponentKind.LIGHT, "Light");
        List<StripRow> rows = new ArrayList<>();
        kinds.forEach((kind, name) -> rows.add(row(kind, name, m, spans, now, scale)));
        return new LifeStrips(
                scale.x(now), rows, failures.stream().map(scale::x).toList(), scale.dates(now, zone));
    }

    private static StripRow row(
            ComponentKind kind, String name, MachineNow m, List<PartSpan> spans, Instant now, TimeScale scale) {
        List<LifeStrip.Bar> bars = spans.stream()
                .filter(s -> s.kind() == kind)
                .map(s -> LifeStrip.Bar.of(s.code(), s.from(), s.to(), s.endedAt(), s.endReason(), scale, now))
                .toList();
        return new StripRow(name, bars, rest(kind, m, now, scale));
    }

    private static RestOfLife rest(ComponentKind kind, MachineNow m, Instant now, TimeScale scale) {
        PartUse part = kind == ComponentKind.FILM
                ? m.liningUse()
                : kind == ComponentKind.SCREEN ? m.screenUse() : m.worn(PartUse.UsedPart.LIGHT);
        PartView view = kind == ComponentKind.FILM ? m.film() : kind == ComponentKind.SCREEN ? m.screen() : m.light();
        return part == null || view.endedAt() != null
                ? null
                : RestOfLife.of(part, m.hoursPerDay(), m.uvShare(), scale, now).orElse(null);
    }
}
