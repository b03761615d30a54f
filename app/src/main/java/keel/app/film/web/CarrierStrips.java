package keel.app.film.web;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.TimeScale;
import keel.app.film.Vats;
import keel.app.standing.LifeStrip;
import keel.app.standing.RestOfLife;

/**
 * Which film was in which vat and when: a strip for each vat, on one scale, the end of each film marked by its cause,
 * the rest of the last one's life as a fading band.
 */
public record CarrierStrips(TimeScale scale, double now, Map<Long, LifeStrip> strips, List<TimeScale.Tick> dates) {

    /**
     * @param hoursPerDay print hours a day of the machine that a vat is on, by machine code
     * @param uvShare UV hours in a print hour of a film that has not printed yet
     */
    public static CarrierStrips of(
            List<Vats.Vat> vats,
            Map<Long, List<Vats.Span>> films,
            Map<String, Double> hoursPerDay,
            double uvShare,
            Instant now,
            ZoneId zone) {
        Instant from = films.values().stream()
                .flatMap(List::stream)
                .map(Vats.Span::from)
                .min(Instant::compareTo)
                .orElse(now.minusSeconds(86_400));
        TimeScale scale = TimeScale.past(from, now);
        Map<Long, LifeStrip> strips = new HashMap<>();
        for (Vats.Vat vat : vats) {
            List<LifeStrip.Bar> bars = new ArrayList<>();
            films.getOrDefault(vat.id(), List.of())
                    .forEach(s -> bars.add(
                            LifeStrip.Bar.of(s.code(), s.from(), s.to(), s.endedAt(), s.endReason(), scale, now)));
            strips.put(
                    vat.id(),
                    new LifeStrip(
                            bars,
                            rest(
                                    vat,
                                    vat.machine() == null ? 0 : hoursPerDay.getOrDefault(vat.machine(), 0.0),
                                    uvShare,
                                    scale,
                                    now)));
        }
        return new CarrierStrips(scale, scale.x(now), strips, scale.dates(now, zone));
    }

    private static RestOfLife rest(Vats.Vat vat, double pace, double uvShare, TimeScale scale, Instant now) {
        return vat.film() == null || vat.film().endedAt() != null
                ? null
                : RestOfLife.of(vat.filmUse(), pace, vat.film().usage().uvShare(uvShare), scale, now)
                        .orElse(null);
    }
}
