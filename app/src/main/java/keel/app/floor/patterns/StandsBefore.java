package keel.app.floor.patterns;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import keel.app.people.LogFilter;
import keel.app.people.LogKind;
import keel.app.people.LogLine;
import keel.app.people.Logbook;
import keel.core.pattern.Turn;
import org.springframework.stereotype.Component;

/** Entries that stand just before a turn and could have made it, the likeliest first. */
@Component
class StandsBefore {

    private static final Duration LOOKED_BACK = Duration.ofDays(3);
    private static final int MOST_READ = 200;
    private static final int SHOWN = 3;
    private static final Set<LogKind> CHANGES = EnumSet.of(
            LogKind.SERVICE,
            LogKind.PROFILE_CHANGED,
            LogKind.SET_UP,
            LogKind.POURED,
            LogKind.RELEASE_SWITCHED,
            LogKind.PART_ENDED,
            LogKind.CALIBRATED,
            LogKind.SCHOOL_CHOSEN,
            LogKind.FILM_PACK);
    /** Done so often that one stands before everything. */
    private static final List<String> EVERYDAY =
            List.of("PLATE_CLEARED", "CLEAN_UP", "VAT_INSPECTED", "SCREEN_INSPECTED");

    private final Logbook logbook;

    StandsBefore(Logbook logbook) {
        this.logbook = logbook;
    }

    List<LogLine> of(String machine, Turn turn) {
        Instant from = turn.notBefore().minus(LOOKED_BACK);
        return logbook
                .lines(new LogFilter(machine, null, null, from, turn.firstAfter(), null, null, 0, MOST_READ))
                .stream()
                .filter(l -> CHANGES.contains(l.kind()) && !l.superseded())
                .filter(l -> EVERYDAY.stream()
                        .noneMatch(k -> l.content() != null && l.content().contains("\"" + k + "\"")))
                .sorted(Comparator.comparing((LogLine l) -> l.kind() == LogKind.POURED ? 1 : 0)
                        .thenComparing(l -> distance(l, turn)))
                .limit(SHOWN)
                .toList();
    }

    /** Between the last good print and the first bad one it is nearest. */
    private static Duration distance(LogLine line, Turn turn) {
        return line.happenedAt().isBefore(turn.lastBefore())
                ? Duration.between(line.happenedAt(), turn.lastBefore())
                : Duration.ZERO;
    }
}
