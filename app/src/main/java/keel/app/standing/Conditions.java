package keel.app.standing;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.core.condition.CloudingPath;
import keel.core.condition.CloudingPrior;
import keel.core.condition.CloudingSeen;
import keel.core.condition.FilmCondition;
import keel.core.condition.FilmHazard;
import keel.core.film.Clouding;
import keel.core.film.FilmMark;
import keel.core.wear.Usage;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** In which condition films are, as far as somebody looked; states, gate and outlook go by it. */
@Service
@Transactional(readOnly = true)
public class Conditions {

    private static final int MOST_FILMS = 2000;

    private final ConditionRecords records;

    /** Reckoned anew only where a film was used or looked at. */
    private final Cache<Seen, CloudingPath> paths =
            Caffeine.newBuilder().maximumSize(MOST_FILMS).build();

    private record Seen(List<CloudingSeen> looks, double hours, double uvHours) {}

    Conditions(ConditionRecords records) {
        this.records = records;
    }

    /** A film with what it has been through. */
    public record Film(long id, Usage usage) {}

    /** By the film's number; those that nobody ever looked at are left out. */
    public Map<Long, FilmCondition> of(Collection<Film> films) {
        if (films.isEmpty()) {
            return Map.of();
        }
        List<Long> ids = films.stream().map(Film::id).toList();
        Set<Long> stopGaps = records.stopGaps(ids);
        Map<Long, List<ConditionRecords.Look>> looks =
                records.looks(ids).stream().collect(Collectors.groupingBy(ConditionRecords.Look::film));
        Map<Long, List<ConditionRecords.Mark>> marks = marks(looks.values());
        Map<Long, FilmCondition> conditions = new HashMap<>();
        for (Film film : films) {
            List<ConditionRecords.Look> seen = looks.getOrDefault(film.id(), List.of());
            boolean stopGap = stopGaps.contains(film.id());
            if (!seen.isEmpty() || stopGap) {
                List<ConditionRecords.Mark> marked = seen.isEmpty()
                        ? List.of()
                        : marks.getOrDefault(last(seen).id(), List.of());
                conditions.put(film.id(), condition(film, seen, marked, stopGap));
            }
        }
        return conditions;
    }

    private static ConditionRecords.Look last(List<ConditionRecords.Look> looks) {
        return looks.get(looks.size() - 1);
    }

    /** Of the last look at each film, by the look's number. */
    private Map<Long, List<ConditionRecords.Mark>> marks(Collection<List<ConditionRecords.Look>> looks) {
        List<Long> last = looks.stream().map(l -> last(l).id()).toList();
        return last.isEmpty()
                ? Map.of()
                : records.marks(last).stream().collect(Collectors.groupingBy(ConditionRecords.Mark::look));
    }

    /** What was seen of a film at which age, in order. */
    public List<CloudingSeen> seen(Film film) {
        return seen(film, records.looks(List.of(film.id())));
    }

    private static List<CloudingSeen> seen(Film film, List<ConditionRecords.Look> looks) {
        return looks.stream()
                .filter(l -> l.clouding() != null || l.transmittance() != null)
                .map(l -> new CloudingSeen(
                        Math.max(0, film.usage().hours() - l.hoursSince()),
                        Math.max(0, film.usage().uvHours() - l.uvHoursSince()),
                        l.clouding(),
                        l.transmittance()))
                .toList();
    }

    private FilmCondition condition(
            Film film, List<ConditionRecords.Look> looks, List<ConditionRecords.Mark> marks, boolean stopGap) {
        List<CloudingSeen> seen = seen(film, looks);
        CloudingPath path = paths.get(
                new Seen(seen, film.usage().hours(), film.usage().uvHours()),
                s -> CloudingPath.of(CloudingPrior.USUAL, s.looks(), s.hours(), s.uvHours()));
        Clouding grade = grade(looks);
        FilmHazard hazard = new FilmHazard(
                grade, count(marks, FilmMark.MarkKind.DENT), 0, count(marks, FilmMark.MarkKind.SCRATCH), stopGap, null);
        Instant at = looks.isEmpty() ? null : last(looks).at();
        return new FilmCondition(path, hazard, words(grade, marks, stopGap), at);
    }

    /** As it was graded last, or as the meter has it where that came later. */
    private static Clouding grade(List<ConditionRecords.Look> looks) {
        Clouding grade = null;
        for (ConditionRecords.Look l : looks) {
            grade = l.clouding() != null
                    ? l.clouding()
                    : l.transmittance() != null ? Clouding.of(l.transmittance()) : grade;
        }
        return grade;
    }

    private static int count(List<ConditionRecords.Mark> marks, FilmMark.MarkKind kind) {
        return (int) marks.stream().filter(m -> m.kind() == kind).count();
    }

    private static String words(Clouding grade, List<ConditionRecords.Mark> marks, boolean stopGap) {
        List<String> words = new ArrayList<>();
        if (grade != null) {
            words.add("it looked " + grade.words().toLowerCase(Locale.ROOT));
        }
        for (FilmMark.MarkKind kind : FilmMark.MarkKind.values()) {
            int n = count(marks, kind);
            if (n > 0) {
                words.add(n + " " + kind.words().toLowerCase(Locale.ROOT) + plural(kind, n));
            }
        }
        if (stopGap) {
            words.add("a hole cured shut");
        }
        return words.isEmpty() ? "somebody looked" : String.join(", ", words);
    }

    private static String plural(FilmMark.MarkKind kind, int n) {
        return n == 1 ? "" : kind == FilmMark.MarkKind.SCRATCH || kind == FilmMark.MarkKind.HAZE ? "es" : "s";
    }
}
