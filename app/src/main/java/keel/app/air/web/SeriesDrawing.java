package keel.app.air.web;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import keel.app.air.RoomHistory;
import keel.app.air.Sensors;

/**
 * Readings of a room over a span of time, 1000 wide: vapour, temperature, humidity, each a strip of its own with its
 * gaps left open; under them when machines ran and parts were washed.
 *
 * @param limitY of the vapour's limit, null where it lies above the strip
 * @param rangeTop of the temperatures the room should have, null if nobody said; {@code rangeBottom} likewise
 */
record SeriesDrawing(
        Strip vapour,
        Strip temperature,
        Strip humidity,
        Double limitY,
        Double rangeTop,
        Double rangeBottom,
        List<Bar> runs,
        List<Double> washes,
        List<Tick> ticks,
        int machines) {

    static final double LEFT = 56;
    static final double RIGHT = 990;

    private static final double GAP_OF_SPANS = 3.5;
    private static final int TICKS = 8;

    /** A line with its band of extremes, and the ends of its scale; paths are empty where nothing was read. */
    record Strip(String line, String band, double low, double high, double top, double bottom) {}

    record Bar(double x, double w, double y, String title) {}

    record Tick(double x, String words) {}

    static SeriesDrawing of(
            Sensors.Series series,
            Instant from,
            Instant to,
            ZoneId zone,
            double limit,
            Double lowC,
            Double highC,
            List<RoomHistory.Ran> runs,
            List<Instant> washes) {
        Strip vapour =
                strip(series, from, to, Sensors.Point::tvoc, null, Sensors.Point::tvocMax, 0.0, limit * 1.1, 16, 166);
        Strip temperature = strip(
                series,
                from,
                to,
                Sensors.Point::temperatureC,
                Sensors.Point::temperatureMin,
                Sensors.Point::temperatureMax,
                lowC,
                highC,
                186,
                276);
        Strip humidity = strip(series, from, to, Sensors.Point::humidityPercent, null, null, 20.0, 70.0, 296, 346);
        int machines = runs.stream().mapToInt(RoomHistory.Ran::row).max().orElse(-1) + 1;
        return new SeriesDrawing(
                vapour,
                temperature,
                humidity,
                limit > vapour.high() ? null : Double.valueOf(y(limit, vapour)),
                highC == null ? null : Double.valueOf(y(Math.min(highC, temperature.high()), temperature)),
                lowC == null ? null : Double.valueOf(y(Math.max(lowC, temperature.low()), temperature)),
                runs.stream()
                        .map(r -> new Bar(
                                x(r.from(), from, to),
                                Math.max(1.5, x(r.to(), from, to) - x(r.from(), from, to)),
                                362 + 10 * r.row(),
                                r.title()))
                        .toList(),
                washes.stream().map(w -> x(w, from, to)).toList(),
                ticks(from, to, zone),
                machines);
    }

    private static Strip strip(
            Sensors.Series series,
            Instant from,
            Instant to,
            Function<Sensors.Point, Double> value,
            Function<Sensors.Point, Double> least,
            Function<Sensors.Point, Double> most,
            Double low,
            Double high,
            double top,
            double bottom) {
        double bottomValue = low == null ? Double.MAX_VALUE : low;
        double topValue = high == null ? -Double.MAX_VALUE : high;
        for (Sensors.Point p : series.points()) {
            Double v = value.apply(p);
            if (v != null) {
                bottomValue = Math.min(bottomValue, least == null || least.apply(p) == null ? v : least.apply(p));
                topValue = Math.max(topValue, most == null || most.apply(p) == null ? v : most.apply(p));
            }
        }
        if (bottomValue > topValue) {
            bottomValue = 0;
            topValue = 1;
        }
        double margin = Math.max(0.5, 0.04 * (topValue - bottomValue));
        Strip scale = new Strip("", "", bottomValue == 0 ? 0 : bottomValue - margin, topValue + margin, top, bottom);
        return new Strip(
                line(series, from, to, value, scale),
                series.spanS() <= 60 || most == null
                        ? ""
                        : band(series, from, to, least == null ? value : least, most, scale),
                scale.low(),
                scale.high(),
                top,
                bottom);
    }

    private static String line(
            Sensors.Series series, Instant from, Instant to, Function<Sensors.Point, Double> value, Strip scale) {
        StringBuilder path = new StringBuilder();
        Instant before = null;
        for (Sensors.Point p : series.points()) {
            Double v = value.apply(p);
            if (v != null) {
                boolean gap =
                        before == null || Duration.between(before, p.at()).toSeconds() > GAP_OF_SPANS * series.spanS();
                path.append(gap ? 'M' : 'L')
                        .append(number(x(p.at(), from, to)))
                        .append(' ')
                        .append(number(y(v, scale)));
                before = p.at();
            }
        }
        return path.toString();
    }

    /** A thin column for each point from its least to its most. */
    private static String band(
            Sensors.Series series,
            Instant from,
            Instant to,
            Function<Sensors.Point, Double> least,
            Function<Sensors.Point, Double> most,
            Strip scale) {
        StringBuilder path = new StringBuilder();
        for (Sensors.Point p : series.points()) {
            Double low = least.apply(p);
            Double high = most.apply(p);
            if (low != null && high != null) {
                path.append('M')
                        .append(number(x(p.at(), from, to)))
                        .append(' ')
                        .append(number(y(low, scale)))
                        .append('V')
                        .append(number(y(high, scale)));
            }
        }
        return path.toString();
    }

    private static List<Tick> ticks(Instant from, Instant to, ZoneId zone) {
        double hours = Duration.between(from, to).toMinutes() / 60.0;
        DateTimeFormatter words = DateTimeFormatter.ofPattern(
                hours <= 30 ? "HH:mm" : hours <= 24 * 90 ? "d MMM" : "MMM yyyy", Locale.ENGLISH);
        List<Tick> ticks = new ArrayList<>();
        for (int i = 0; i <= TICKS; i++) {
            Instant at = from.plusSeconds(Math.round(hours * 3600 * i / TICKS));
            ticks.add(new Tick(x(at, from, to), words.format(at.atZone(zone))));
        }
        return ticks;
    }

    private static double x(Instant at, Instant from, Instant to) {
        double share = (at.getEpochSecond() - from.getEpochSecond())
                / (double) Math.max(1, to.getEpochSecond() - from.getEpochSecond());
        return LEFT + (RIGHT - LEFT) * Math.max(0, Math.min(1, share));
    }

    private static double y(double v, Strip s) {
        return s.bottom() - (s.bottom() - s.top()) * (v - s.low()) / (s.high() - s.low());
    }

    private static String number(double v) {
        return Double.toString(Math.round(v * 10) / 10.0);
    }
}
