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
import java.util.stream.Collectors;
import keel.app.base.Remembered;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.ShopSettings;
import keel.core.condition.CloudingAhead;
import keel.core.condition.CloudingCourse;
import keel.core.condition.CloudingPath;
import keel.core.condition.CloudingPrior;
import keel.core.condition.CloudingSeen;
import keel.core.condition.FilmBears;
import keel.core.condition.FilmCondition;
import keel.core.condition.FilmHazard;
import keel.core.film.Clouding;
import keel.core.film.FilmMark;
import keel.core.film.ToneComparison;
import keel.core.run.Detail;
import keel.core.wear.Usage;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;

/** In which condition films are, as far as somebody looked; states, gate and outlook go by it. */
@Service
@Transactional(readOnly = true)
public class Conditions implements SeenParts {

    private static final int MOST_FILMS = 2000;
    private static final double LEAST_AHEAD_HOURS = 150;
    private static final double AHEAD = 0.6;

    private final ConditionRecords records;
    private final ShopSettings settings;
    private final PartsReading parts;
    private final FilmTeachings teachings;
    private final Remembered<Map<Long, FilmCondition>> fitted = new Remembered<>();
    private final Remembered<Map<Long, List<ConditionRecords.Exposure>>> exposures = new Remembered<>();

    /** Reckoned anew only where a film was used or looked at. */
    private final Cache<Seen, Clouds> paths =
            Caffeine.newBuilder().maximumSize(MOST_FILMS).build();

    private record Seen(List<CloudingSeen> looks, double hours, double uvHours, double uvShare, double bears) {}

    private record Clouds(CloudingPath path, CloudingAhead ahead) {

        static Clouds of(Seen s) {
            CloudingPath path = CloudingPath.of(CloudingPrior.USUAL, s.looks(), s.hours(), s.uvHours());
            return new Clouds(path, new CloudingAhead(path, s.uvShare(), s.bears()));
        }
    }

    Conditions(ConditionRecords records, ShopSettings settings, PartsReading parts, FilmTeachings teachings) {
        this.records = records;
        this.settings = settings;
        this.parts = parts;
        this.teachings = teachings;
    }

    /** A film with what it has been through. */
    public record Film(long id, Usage usage) {}

    /** Of all films that are on machines; kept until something by which it is judged changes. */
    @Override
    public Map<Long, FilmCondition> fitted() {
        return fitted.get(() -> of(parts.fitted(null).values().stream()
                .flatMap(List::stream)
                .filter(p -> p.kind() == ComponentKind.FILM)
                .map(p -> new Film(p.id(), p.usage()))
                .toList()));
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void changed(ConditionChanged changed) {
        fitted.forget();
        exposures.forget();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void changed(RunsChanged changed) {
        fitted.forget();
        exposures.forget();
    }

    /**
     * Loss of light ln(new/now) that the exposure in force on a machine makes up: by how much it was raised since then,
     * for the resin that is in it now.
     */
    public double madeUp(long machine, Instant since) {
        List<ConditionRecords.Exposure> all = exposures
                .get(() ->
                        records.exposures().stream().collect(Collectors.groupingBy(ConditionRecords.Exposure::machine)))
                .getOrDefault(machine, List.of());
        if (all.isEmpty() || since == null) {
            return 0;
        }
        double then = all.get(0).seconds();
        for (ConditionRecords.Exposure e : all) {
            then = e.madeAt().isAfter(since) ? then : e.seconds();
        }
        return Math.max(0, Math.log(all.get(all.size() - 1).seconds() / then));
    }

    /** By the film's number; those that nobody ever looked at are left out. */
    public Map<Long, FilmCondition> of(Collection<Film> films) {
        if (films.isEmpty()) {
            return Map.of();
        }
        List<Long> ids = films.stream().map(Film::id).toList();
        Map<Long, ConditionRecords.Stands> stands = records.stands(ids).stream()
                .collect(Collectors.toMap(ConditionRecords.Stands::film, s -> s, (a, b) -> a));
        Map<Long, List<ConditionRecords.Look>> looks =
                records.looks(ids).stream().collect(Collectors.groupingBy(ConditionRecords.Look::film));
        Map<Long, List<ConditionRecords.Mark>> marks = marks(looks.values());
        Map<Long, Double> tones = tones(ids);
        Map<Long, FilmCondition> conditions = new HashMap<>();
        for (Film film : films) {
            List<ConditionRecords.Look> seen = looks.getOrDefault(film.id(), List.of());
            ConditionRecords.Stands on = stands.get(film.id());
            Double cents = tones.get(film.id());
            boolean offTone = cents != null && Math.abs(cents) > FilmHazard.OFF_CENTS;
            if (!seen.isEmpty() || offTone || on != null && on.stopGap() != null) {
                List<ConditionRecords.Mark> marked = seen.isEmpty()
                        ? List.of()
                        : marks.getOrDefault(last(seen).id(), List.of());
                conditions.put(film.id(), condition(film, seen, marked, cents, on));
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

    /** How far each film's latest tone is from its reference, cents; those that cannot be compared are left out. */
    private Map<Long, Double> tones(List<Long> films) {
        Map<Long, Double> cents = new HashMap<>();
        records.heard(films).forEach(h -> {
            ToneComparison compared =
                    ToneComparison.of(h.fundamentalHz, h.stressMpa, h.temperatureC, h.referenceHz, h.referenceC);
            if (compared.cents() != null) {
                cents.put(h.filmId, compared.cents());
            }
        });
        return cents;
    }

    /**
     * The course of a film's clouding.
     *
     * @param seen what was seen of it at which age, in order
     * @param madeUp loss of light that the exposure in force makes up
     */
    public record Course(CloudingCourse course, List<CloudingSeen> seen, double madeUp) {}

    /** From its first hour to some hours ahead. */
    public Course course(Film film) {
        List<CloudingSeen> seen = seen(film, records.looks(List.of(film.id())));
        double madeUp =
                madeUp(records.stands(List.of(film.id())).stream().findFirst().orElse(null));
        Usage usage = film.usage();
        double uvShare = usage.uvShare(settings.defaults().value("uv.share"));
        double ahead = Math.max(LEAST_AHEAD_HOURS, AHEAD * usage.hours());
        return new Course(
                CloudingCourse.of(CloudingPrior.USUAL, seen, usage.hours(), usage.uvHours(), uvShare, ahead),
                seen,
                madeUp);
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
            Film film,
            List<ConditionRecords.Look> looks,
            List<ConditionRecords.Mark> marks,
            Double cents,
            ConditionRecords.Stands on) {
        boolean stopGap = on != null && on.stopGap() != null;
        List<CloudingSeen> seen = seen(film, looks);
        double madeUp = madeUp(on);
        double uvShare = film.usage().uvShare(settings.defaults().value("uv.share"));
        Clouding grade = grade(looks);
        FilmBears bears = teachings.learned().on(on == null ? 0 : on.machine(), grade);
        Clouds clouds = paths.get(
                new Seen(
                        seen,
                        film.usage().hours(),
                        film.usage().uvHours(),
                        uvShare,
                        madeUp + bears.bearsLoss(Detail.USUAL)),
                Clouds::of);
        FilmHazard hazard = new FilmHazard(
                grade, marks.stream().map(ConditionRecords.Mark::mark).toList(), null, stopGap, cents);
        Instant at = looks.isEmpty() ? null : last(looks).at();
        return new FilmCondition(
                clouds.path(), clouds.ahead(), hazard, bears, madeUp, words(grade, marks, cents, stopGap), at);
    }

    private double madeUp(ConditionRecords.Stands on) {
        return on == null ? 0 : madeUp(on.machine(), on.fittedAt());
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

    private static String words(Clouding grade, List<ConditionRecords.Mark> marks, Double cents, boolean stopGap) {
        List<String> words = new ArrayList<>();
        if (grade != null) {
            words.add("it looked " + grade.words().toLowerCase(Locale.ROOT));
        }
        for (FilmMark.MarkKind kind : FilmMark.MarkKind.values()) {
            int n = count(marks, kind);
            if (n > 0) {
                words.add(kind.counted(n));
            }
        }
        if (cents != null && Math.abs(cents) > FilmHazard.OFF_CENTS) {
            words.add(
                    String.format(Locale.ROOT, "its tone %.0f cents %s", Math.abs(cents), cents < 0 ? "low" : "high"));
        }
        if (stopGap) {
            words.add("a hole cured shut");
        }
        return words.isEmpty() ? "somebody looked" : String.join(", ", words);
    }
}
