package keel.app.film;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.ui.TimeScale;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import keel.core.wear.WeibullLife;

/** Which film was in which vat and when: a strip for each vat, on one scale, the end of each film marked by its cause, the rest of the last one's life as a fading band. */
record CarrierStrips(TimeScale scale, double now, Map<Long, Strip> strips, List<TimeScale.Tick> dates) {

    /** One vat. */
    record Strip(List<Bar> bars, Rest rest) {}

    /** One film; {@code cause} is the word at its end, null while it is in or where it went elsewhere. */
    record Bar(String code, double x, double w, boolean current, String cause, String title) {}

    /** Width within which hardly any fails, and within which half of them do. */
    record Rest(double x, double sure, double middle, String title) {}

    /** @param hoursPerDay print hours a day of the machine that a vat is on, by machine code */
    static CarrierStrips of(List<Vats.Vat> vats, Map<Long, List<Vats.Span>> films, Map<String, Double> hoursPerDay, Defaults defaults, Instant now, ZoneId zone) {
        Instant from = films.values().stream().flatMap(List::stream).map(Vats.Span::from).min(Instant::compareTo).orElse(now.minusSeconds(86_400));
        TimeScale scale = TimeScale.past(from, now);
        Map<Long, Strip> strips = new HashMap<>();
        for (Vats.Vat vat : vats) {
            List<Bar> bars = new ArrayList<>();
            films.getOrDefault(vat.id(), List.of()).forEach(s -> bars.add(bar(s, scale, now)));
            strips.put(vat.id(), new Strip(bars, rest(vat, vat.machine() == null ? 0 : hoursPerDay.getOrDefault(vat.machine(), 0.0), defaults, scale, now)));
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

    private static Rest rest(Vats.Vat vat, double pace, Defaults defaults, TimeScale scale, Instant now) {
        if (vat.film() == null || vat.film().endedAt() != null || pace <= 0) {
            return null;
        }
        WeibullLife life = defaults.life(vat.tank() ? PartUse.Part.TANK : PartUse.Part.FILM);
        double age = vat.film().usage().hours();
        double sure = life.left(age, 0.1) / pace;
        double middle = life.left(age, 0.5) / pace;
        double x = scale.x(now);
        return new Rest(x, Math.min(TimeScale.WIDTH - x, scale.width(sure)), Math.min(TimeScale.WIDTH - x, scale.width(middle)),
                String.format(Locale.ROOT, "one in ten such films ends within %.0f days of this use, half within %.0f", sure, middle));
    }
}
