package keel.core.quick;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.temporal.TemporalAdjusters;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Takes day and time out of a line: {@code yesterday 16:30}, {@code at 7.15}, {@code monday 4pm}, {@code 28.11. 16:30},
 * {@code 20 min ago}. A day without a time, a time to come, or a date that can be read two ways is asked about.
 */
final class MomentWords {

    private static final Pattern CLOCK = Pattern.compile("(\\d{1,2}):(\\d{2})");
    private static final Pattern CLOCK_LOOSE = Pattern.compile("(\\d{1,2})[:.h](\\d{2})");
    private static final Pattern HALVES = Pattern.compile("(\\d{1,2})(?:[:.](\\d{2}))?(am|pm)");
    private static final Pattern ISO = Pattern.compile("(\\d{4})-(\\d{1,2})-(\\d{1,2})");
    private static final Pattern POINTS = Pattern.compile("(\\d{1,2})\\.(\\d{1,2})\\.(\\d{2,4})?");
    private static final Pattern SLASHES = Pattern.compile("(\\d{1,2})/(\\d{1,2})(?:/(\\d{2,4}))?");
    private static final List<String> MONTHS =
            List.of("jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec");
    private static final List<String> AT = List.of("at", "um", "à", "@");
    private static final List<String> VAGUE = List.of("morning", "afternoon", "evening", "night");
    private static final List<String> AHEAD = List.of("tomorrow", "morgen", "demain");
    private static final Pattern AGO = Pattern.compile("(\\d+(?:[.,]\\d+)?)(h|hrs?|hours?|std|m|mins?|minutes?|days?)");
    private static final Duration LONGEST_AGO = Duration.ofDays(3 * 366);

    private final List<String> words;
    private final LocalDateTime now;
    private LocalDate day;
    private LocalTime time;
    private LocalDateTime ago;
    private String problem;

    /**
     * @param words the line's; what says when is taken out of them
     * @param now in the shop's own time
     */
    private MomentWords(List<String> words, LocalDateTime now) {
        this.words = words;
        this.now = now;
    }

    /**
     * What was taken.
     *
     * @param moment null for now, or where there is a problem
     * @param problem what is not clear about it, null if nothing is
     * @param instead what could be said instead
     */
    record Taken(Moment moment, String problem, List<String> instead) {}

    /** @param durations how many plain 5:20 are durations and not times */
    static Taken take(List<String> words, LocalDateTime now, int durations) {
        MomentWords all = new MomentWords(words, now);
        all.takeAgo();
        all.takeDay();
        all.takeTime(durations);
        return all.taken();
    }

    private Taken taken() {
        if (problem != null) {
            return new Taken(null, problem, List.of());
        }
        if (ago != null) {
            return checked(ago);
        }
        if (day == null && time == null) {
            return new Taken(null, null, List.of());
        }
        if (time == null) {
            String said = Moment.day(day, now.toLocalDate());
            return new Taken(
                    null,
                    "At what time? Add it: " + said + " 16:30.",
                    List.of("09:00", "12:00", "17:00").stream()
                            .filter(t -> !day.atTime(LocalTime.parse(t)).isAfter(now))
                            .map(t -> said + " " + t)
                            .toList());
        }
        return checked((day == null ? now.toLocalDate() : day).atTime(time));
    }

    private Taken checked(LocalDateTime at) {
        if (at.isAfter(now.plusMinutes(5))) {
            return new Taken(
                    null,
                    "That lies ahead: it is " + Moment.time(now) + " now.",
                    day == null ? List.of("yesterday " + Moment.time(at)) : List.of());
        }
        if (Duration.between(at, now).compareTo(LONGEST_AGO) > 0) {
            return new Taken(null, "That is more than three years ago.", List.of());
        }
        return new Taken(Moment.of(at, now), null, List.of());
    }

    /** {@code 20 min ago}, {@code 2 h ago}, {@code an hour ago}, {@code half an hour ago}; {@code now} says nothing. */
    private void takeAgo() {
        words.removeIf(w -> w.equalsIgnoreCase("now"));
        int at = index("ago");
        if (at < 1) {
            return;
        }
        Matcher together = AGO.matcher(word(at - 1));
        Matcher apart = AGO.matcher(at < 2 ? "" : number(word(at - 2)) + word(at - 1));
        Matcher said = together.matches() ? together : apart;
        if (!together.matches() && !apart.matches()) {
            problem = "How long ago? Like 20 min ago.";
            return;
        }
        boolean half = !together.matches() && at > 2 && word(at - 3).equals("half");
        char unit = said.group(2).charAt(0);
        double minutes = Amounts.number(said.group(1)) * (half ? 0.5 : 1) * (unit == 'm' ? 1 : unit == 'd' ? 1440 : 60);
        ago = now.minusMinutes(Math.round(minutes));
        words.subList(at - (together.matches() ? 1 : half ? 3 : 2), at + 1).clear();
    }

    private String word(int i) {
        return words.get(i).toLowerCase(Locale.ROOT);
    }

    private static String number(String word) {
        return word.matches("an?|one") ? "1" : word;
    }

    private int index(String word) {
        for (int i = 0; i < words.size(); i++) {
            if (words.get(i).equalsIgnoreCase(word)) {
                return i;
            }
        }
        return -1;
    }

    private void takeDay() {
        for (int i = 0; i < words.size() && day == null && problem == null; i++) {
            String word = words.get(i).toLowerCase(Locale.ROOT);
            if (List.of("yesterday", "gestern", "hier").contains(word)) {
                said(now.toLocalDate().minusDays(1), i, i + 1);
            } else if (List.of("today", "heute").contains(word)) {
                said(now.toLocalDate(), i, i + 1);
            } else if (AHEAD.contains(word)) {
                problem = "That lies ahead. What is to be printed is asked for on the page of the week.";
            } else if (isVague(i)) {
                vague(i);
            } else if (!weekday(word, i)) {
                date(word, i);
            }
        }
    }

    /** What was printed may have a night in its name: only <i>this night</i> or <i>last night</i> says when. */
    private boolean isVague(int i) {
        return words.get(i).equalsIgnoreCase("tonight")
                || VAGUE.contains(word(i))
                        && i > 0
                        && List.of("this", "last", "yesterday", "the").contains(word(i - 1));
    }

    /** This morning is today, if a time stands with it. */
    private void vague(int i) {
        boolean timed = words.stream()
                .anyMatch(w -> CLOCK.matcher(w).matches() || HALVES.matcher(w).matches());
        boolean today = i > 0 && words.get(i - 1).equalsIgnoreCase("this");
        if (timed && today) {
            said(now.toLocalDate(), i - 1, i + 1);
        } else {
            problem = "At what time? Like 16:30, or yesterday 16:30.";
        }
    }

    private boolean weekday(String word, int i) {
        boolean told = i > 0 && List.of("on", "last").contains(words.get(i - 1).toLowerCase(Locale.ROOT));
        return Arrays.stream(DayOfWeek.values())
                .filter(d -> d.name().equalsIgnoreCase(word)
                        || told
                                && word.length() == 3
                                && d.name().toLowerCase(Locale.ROOT).startsWith(word))
                .findFirst()
                .map(d -> {
                    said(now.toLocalDate().with(TemporalAdjusters.previous(d)), told ? i - 1 : i, i + 1);
                    return true;
                })
                .orElse(false);
    }

    private void date(String word, int i) {
        Matcher iso = ISO.matcher(word);
        Matcher points = POINTS.matcher(word);
        Matcher slashes = SLASHES.matcher(word);
        if (iso.matches()) {
            on(iso.group(1), iso.group(2), iso.group(3), i, i + 1);
        } else if (points.matches()) {
            on(points.group(3), points.group(2), points.group(1), i, i + 1);
        } else if (slashes.matches()) {
            slashed(slashes, i);
        } else if (word.matches("\\d{1,2}") && i + 1 < words.size() && month(words.get(i + 1)) > 0) {
            named(word, words.get(i + 1), i);
        } else if (month(word) > 0 && i + 1 < words.size() && words.get(i + 1).matches("\\d{1,2}")) {
            named(words.get(i + 1), word, i);
        }
    }

    private void slashed(Matcher date, int i) {
        int first = Integer.parseInt(date.group(1));
        int second = Integer.parseInt(date.group(2));
        if (first <= 12 && second <= 12 && first != second) {
            problem = "Is " + date.group() + " the day or the month first? Write it as " + first + "." + second
                    + ". (day first) or " + now.getYear() + "-MM-DD.";
        } else {
            on(
                    date.group(3),
                    String.valueOf(Math.min(first, second)),
                    String.valueOf(Math.max(first, second)),
                    i,
                    i + 1);
        }
    }

    private void named(String number, String month, int i) {
        boolean year = i + 2 < words.size() && words.get(i + 2).matches("20\\d\\d");
        on(year ? words.get(i + 2) : null, String.valueOf(month(month)), number, i, i + (year ? 3 : 2));
    }

    /** The number of a month, of which at least three letters are there; 0 if it is none. */
    private static int month(String word) {
        String plain = word.toLowerCase(Locale.ROOT);
        return plain.length() >= 3
                                && List.of("january", "february", "march", "april", "may", "june", "july", "august")
                                        .stream()
                                        .anyMatch(m -> m.startsWith(plain))
                        || plain.length() >= 3
                                && List.of("september", "october", "november", "december").stream()
                                        .anyMatch(m -> m.startsWith(plain))
                ? MONTHS.indexOf(plain.substring(0, 3)) + 1
                : 0;
    }

    private void on(String year, String month, String number, int from, int to) {
        try {
            LocalDate date = LocalDate.of(
                    year == null ? now.getYear() : Integer.parseInt(year.length() == 2 ? "20" + year : year),
                    Integer.parseInt(month),
                    Integer.parseInt(number));
            said(year == null && date.isAfter(now.toLocalDate()) ? date.minusYears(1) : date, from, to);
        } catch (DateTimeException e) {
            problem = "There is no such day: " + String.join(" ", words.subList(from, to)) + ".";
        }
    }

    private void said(LocalDate date, int from, int to) {
        day = date;
        boolean on = from > 0 && words.get(from - 1).equalsIgnoreCase("on");
        words.subList(on ? from - 1 : from, to).clear();
        dayAt = on ? from - 1 : from;
    }

    private int dayAt = -1;

    private void takeTime(int durations) {
        int skipped = 0;
        for (int i = 0; i < words.size() && time == null && problem == null; i++) {
            String word = words.get(i).toLowerCase(Locale.ROOT);
            boolean told = i > 0 && AT.contains(words.get(i - 1).toLowerCase(Locale.ROOT)) || i == dayAt;
            String next = i + 1 < words.size() ? words.get(i + 1).toLowerCase(Locale.ROOT) : "";
            boolean spaced = List.of("am", "pm", "uhr").contains(next);
            Matcher halves = HALVES.matcher(word + (spaced && !next.equals("uhr") ? next : ""));
            Matcher clock = (told || next.equals("uhr") ? CLOCK_LOOSE : CLOCK).matcher(word);
            if (halves.matches()) {
                int hour = Integer.parseInt(halves.group(1));
                at(hour > 12 ? 99 : hour % 12 + (halves.group(3).equals("pm") ? 12 : 0), halves.group(2), i, spaced);
            } else if (clock.matches() && !told && !spaced && skipped < durations) {
                skipped++;
            } else if (clock.matches()) {
                at(Integer.parseInt(clock.group(1)), clock.group(2), i, spaced);
            } else if (word.equals("noon") || word.equals("midday")) {
                at(12, "00", i, false);
            }
        }
    }

    private void at(int hour, String minute, int i, boolean spaced) {
        int minutes = minute == null ? 0 : Integer.parseInt(minute);
        if (hour > 23 || minutes > 59) {
            problem = "There is no such time: " + words.get(i) + ".";
            return;
        }
        time = LocalTime.of(hour, minutes);
        boolean told = i > 0 && AT.contains(words.get(i - 1).toLowerCase(Locale.ROOT));
        words.subList(told ? i - 1 : i, i + (spaced ? 2 : 1)).clear();
    }
}
