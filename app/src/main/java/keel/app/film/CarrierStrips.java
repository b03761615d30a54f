package keel.app.film;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.ui.TimeScale;
import keel.app.upkeep.RestOfLife;

/** Which film was in which vat and when: a strip for each vat, on one scale, the end of each film marked by its cause, the rest of the last one's life as a fading band. */
record CarrierStrips(TimeScale scale, double now, Map<Long, Strip> strips, List<TimeScale.Tick> dates) {

    /** One vat. */
    record Strip(List<Bar> bars, RestOfLife rest) {}

    /** One film; {@code cause} is the word at its end, null while it is in or where it went elsewhere. */
    record Bar(String code, double x, double w, boolean current, String cause, String title) {}

    /**
     * @param hoursPerDay print hours a day of the machine that a vat is on, by machine code
     * @param uvShare     UV hours in a print hour of a film that has not printed yet
     */
    static CarrierStrips of(List<Vats.Vat> vats, Map<Long, List<Vats.Span>> films, Map<String, Double> hoursPerDay, double uvShare, Instant now, ZoneId zone) {
        Instant from = films.values().stream().flatMap(List::stream).map(Vats.Span::from).min(Instant::compareTo).orElse(now.minusSeconds(86_400));
        TimeScale scale = TimeScale.past(from, now);
        Map<Long, Strip> strips = new HashMap<>();
        for (Vats.Vat vat : vats) {
            List<Bar> bars = new ArrayList<>();
            films.getOrDefault(vat.id(), List.of()).forEach(s -> bars.add(bar(s, scale, now)));
            strips.put(vat.id(), new Strip(bars, rest(vat, vat.machine() == null ? 0 : hoursPerDay.getOrDefault(vat.machine(), 0.0), uvShare, scale, now)));
        }
        return new CarrierStrips(scale, scale.x(now), strips, scale.dates(now, zone));
    }

    private static Bar bar(Vats.Span s, TimeScale scale, Instant now) {
        double x = scale.x(s.from());
        double to = scale.x(s.to() == null ? now : s.to());
        boolean ended = s.endedAt() != null && (s.to() == null || !s.endedAt().isAfter(s.to().plusSeconds(1)));
        String cause = ended && s.endReason() != null ? s.endReason().toLowerCase(Locale.ROOT).replace('_', ' ') : null;
        return new Bar(s.code(), x, Math.max(2, to - x), s.to() == null && !ended, cause,
                s.code() + ", " + (cause != null ? "ended: " + cause + (s.to() == null ? ", still in it" : "") : s.to() == null ? "in it now" : "taken out"));
    }

    private static RestOfLife rest(Vats.Vat vat, double pace, double uvShare, TimeScale scale, Instant now) {
        return vat.film() == null || vat.film().endedAt() != null ? null
                : RestOfLife.of(vat.filmUse(), pace, vat.film().usage().uvShare(uvShare), scale, now).orElse(null);
    }
}
