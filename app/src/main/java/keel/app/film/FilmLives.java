package keel.app.film;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.core.Findings;
import keel.core.film.ThinOrThick;
import keel.core.rate.SuccessRate;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What the shop's own films say together: how often they are changed, thin against thick, and what an experiment on one
 * did.
 */
@Service
@Transactional
public class FilmLives {

    private static final Duration A_YEAR = Duration.ofDays(365);
    private static final Limit LAST = Limit.of(9);

    private final Logbook logbook;
    private final FilmLifeRecords records;
    private final Clock clock;

    FilmLives(Logbook logbook, FilmLifeRecords records, Clock clock) {
        this.logbook = logbook;
        this.records = records;
        this.clock = clock;
    }

    /** A film in the list of all. {@code vat} is the last it was in. */
    public record FilmLine(
            String code,
            String material,
            Double thicknessMm,
            String vat,
            String model,
            String pack,
            String supplier,
            Instant since,
            Instant endedAt,
            String endReason,
            double hours,
            long peels,
            boolean experiment) {

        public boolean matches(String text) {
            String all = String.join(
                    " ",
                    code,
                    String.valueOf(material),
                    String.valueOf(vat),
                    String.valueOf(model),
                    String.valueOf(pack),
                    String.valueOf(supplier),
                    String.valueOf(endReason));
            return all.toLowerCase(Locale.ROOT).contains(text.toLowerCase(Locale.ROOT));
        }
    }

    /** Every film that ever was, newest first. */
    @Transactional(readOnly = true)
    public List<FilmLine> all() {
        return records.all();
    }

    /** Films of a model that ended in the last year, in a year. */
    @Transactional(readOnly = true)
    public double changesPerYear(long modelId) {
        Instant first = records.firstVat(modelId);
        if (first == null) {
            return 0;
        }
        Instant from = first.isAfter(clock.instant().minus(A_YEAR))
                ? first
                : clock.instant().minus(A_YEAR);
        long ended = records.ended(modelId, from);
        return ended
                / Math.max(1 / 52.0, Duration.between(from, clock.instant()).toHours() / 24.0 / 365);
    }

    /**
     * Minutes that changes of a film took lately by the guide, as a middle value; empty where nobody went by the guide.
     */
    @Transactional(readOnly = true)
    public Optional<Double> changeMinutes() {
        List<Double> minutes = records.changes(LAST).stream()
                .map(t ->
                        (double) Duration.between(t.startedAt(), t.finishedAt()).toMinutes())
                .sorted()
                .toList();
        return minutes.isEmpty() ? Optional.empty() : Optional.of(minutes.get(minutes.size() / 2));
    }

    @Transactional(readOnly = true)
    public ThinOrThick thinOrThick() {
        return ThinOrThick.of(pool(0, ThinOrThick.THIN_UP_TO_MM), pool(ThinOrThick.THIN_UP_TO_MM, Double.MAX_VALUE));
    }

    private ThinOrThick.Pool pool(double overMm, double upToMm) {
        FilmLifeRecords.Pool films = records.pool(overMm, upToMm);
        return new ThinOrThick.Pool(
                (int) films.films(), films.hours(), (int) films.pierced(), (int) records.softDetails(overMm, upToMm));
    }

    /**
     * What was tried on a film, and how prints fared since, beside those of the machine's model on other films in the
     * same time.
     *
     * @param hours print hours of the film since
     */
    public record Experiment(
            long id, String what, Instant at, String person, SuccessRate here, SuccessRate elsewhere, double hours) {}

    public void experiment(Vats.Vat vat, String what) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        findings.when(vat.film() == null, "what", "There is no film in vat " + vat.code() + ".");
        findings.text(what, 200, "what", "What was tried");
        Refused.unless(findings);
        FilmExperiment tried = new FilmExperiment();
        tried.filmId = vat.film().id();
        tried.what = what.strip();
        tried.at = clock.instant();
        tried.personId = actor.personId();
        records.save(tried);
        logbook.write(LogDraft.of(
                LogKind.FILM_EXPERIMENT,
                null,
                "FILM",
                vat.film().id(),
                clock.instant(),
                "Experiment on film " + vat.film().code() + " in vat " + vat.code() + ": " + what.strip() + ".",
                Map.of("film", vat.film().code(), "what", what.strip()),
                actor));
    }

    /** Takes an experiment back that never was. */
    public void withdrawExperiment(Vats.Vat vat, long id) {
        Actor.current();
        Optional<FilmExperiment> tried = vat.film() == null
                ? Optional.empty()
                : records.findByIdAndFilmId(id, vat.film().id());
        tried.orElseThrow(() -> new NotThere("There is no such experiment on this film.")).withdrawn = true;
    }

    @Transactional(readOnly = true)
    public List<Experiment> experiments(Vats.Vat vat) {
        if (vat.film() == null) {
            return List.of();
        }
        long film = vat.film().id();
        return records.experiments(film).stream()
                .map(t -> experiment(
                        t,
                        records.through(vat.model().id(), t.experiment().at, film),
                        records.throughOthers(vat.model().id(), t.experiment().at, film)))
                .toList();
    }

    private static Experiment experiment(
            FilmLifeRecords.Tried tried, FilmLifeRecords.Fared here, FilmLifeRecords.Fared elsewhere) {
        FilmExperiment e = tried.experiment();
        return new Experiment(e.id, e.what, e.at, tried.person(), rate(here), rate(elsewhere), here.hours());
    }

    private static SuccessRate rate(FilmLifeRecords.Fared fared) {
        return fared.prints() == 0 ? null : SuccessRate.of((int) fared.cameOut(), (int) fared.prints());
    }
}
