package keel.app.standing;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Collectors;
import keel.app.fleet.ShopSettings;
import keel.core.condition.CloudingSeen;
import keel.core.condition.FilmLearned;
import keel.core.condition.FilmLearning;
import keel.core.condition.FilmLearning.Lost;
import keel.core.condition.FilmReplay;
import keel.core.run.Detail;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;
import keel.core.wear.Usage;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionOperations;

/**
 * What the shop's own prints taught of its films. It takes a while on a large shop, so it is done in the background, at
 * the start and once a day; until then what is usual holds.
 */
@Service
class FilmTeachings {

    private static final Logger LOG = LoggerFactory.getLogger(FilmTeachings.class);
    private static final Limit FILMS = Limit.of(300);
    /** From fewer nothing is learned that would be more than chance. */
    private static final int LEAST_PRINTS = 100;

    private final ConditionRecords records;
    private final PartLives lives;
    private final ShopSettings settings;
    private final TransactionOperations transactions;
    private final ApplicationEventPublisher events;
    private final Clock clock;
    private final AtomicReference<LocalDate> learnedOn = new AtomicReference<>();
    private volatile FilmLearned learned = FilmLearned.NOTHING;

    FilmTeachings(
            ConditionRecords records,
            PartLives lives,
            ShopSettings settings,
            TransactionOperations transactions,
            ApplicationEventPublisher events,
            Clock clock) {
        this.records = records;
        this.lives = lives;
        this.settings = settings;
        this.transactions = transactions;
        this.events = events;
        this.clock = clock;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        learned();
    }

    /** What is known by now. */
    FilmLearned learned() {
        LocalDate today = LocalDate.ofInstant(clock.instant(), settings.zone());
        if (!today.equals(learnedOn.getAndSet(today))) {
            Thread thread = new Thread(this::quietly, "film-teachings");
            thread.setDaemon(true);
            thread.start();
        }
        return learned;
    }

    private void quietly() {
        try {
            learn();
        } catch (RuntimeException e) {
            LOG.warn("Nothing was learned of films today: {}", e.getMessage());
        }
    }

    private void learn() {
        FilmLearned now = reckoned();
        if (!now.equals(learned)) {
            learned = now;
            events.publishEvent(new ConditionChanged());
        }
    }

    /** Goes through the prints once more; what is in force stays. */
    FilmLearned reckoned() {
        List<FilmLearning.Printed> prints = transactions.execute(t -> prints());
        return prints == null || prints.size() < LEAST_PRINTS ? FilmLearned.NOTHING : FilmLearning.of(prints);
    }

    private List<FilmLearning.Printed> prints() {
        List<Long> films = records.lookedAt(FILMS);
        if (films.isEmpty()) {
            return List.of();
        }
        Map<Long, List<FilmSeen>> looks =
                records.allLooks(films).stream().collect(Collectors.groupingBy(l -> l.filmId));
        List<FilmLearning.Printed> prints = new ArrayList<>();
        records.through(films).stream()
                .collect(Collectors.groupingBy(ConditionRecords.Through::film))
                .forEach((film, through) -> prints.addAll(of(looks.get(film), through)));
        return prints;
    }

    private List<FilmLearning.Printed> of(List<FilmSeen> looks, List<ConditionRecords.Through> through) {
        List<FilmReplay.Run> runs = new ArrayList<>();
        List<CloudingSeen> seen = new ArrayList<>();
        double hours = through.get(0).hoursBefore();
        double uvHours = through.get(0).uvBefore();
        long last = -1;
        int next = 0;
        for (ConditionRecords.Through t : through) {
            while (next < looks.size() && !looks.get(next).at.isAfter(t.startedAt())) {
                FilmSeen look = looks.get(next++);
                seen.add(new CloudingSeen(hours, uvHours, look.clouding, look.transmittance));
            }
            if (t.run() != last) {
                runs.add(run(t, hours, uvHours));
                hours += t.hours();
                uvHours += t.uvHours();
            } else if (lost(t) != Lost.NOT_BY_FILM) {
                runs.set(runs.size() - 1, run(t, hours - t.hours(), uvHours - t.uvHours()));
            }
            last = t.run();
        }
        return FilmReplay.of(seen, runs);
    }

    private FilmReplay.Run run(ConditionRecords.Through t, double hours, double uvHours) {
        PartUse.UsedPart kind = t.kind() == MachineKind.LASER_TANK ? PartUse.UsedPart.TANK : PartUse.UsedPart.FILM;
        Usage before = new Usage(hours, uvHours, 0, 0, 0);
        double byAge = lives.book()
                .of(kind, t.model())
                .failsWithin(before, t.hours(), t.uvHours() / Math.max(1e-6, t.hours()));
        return new FilmReplay.Run(
                t.machine(),
                hours,
                uvHours,
                t.hours(),
                t.uvHours(),
                byAge,
                t.detail() == null ? Detail.USUAL : t.detail(),
                lost(t));
    }

    private static Lost lost(ConditionRecords.Through t) {
        if (t.cameOut() || t.cause() == null) {
            return Lost.NOT_BY_FILM;
        }
        return switch (t.cause()) {
            case "film-worn" -> Lost.CLOUDED;
            case "film-pierced", "film-slack" -> Lost.OTHERWISE;
            default -> Lost.NOT_BY_FILM;
        };
    }
}
