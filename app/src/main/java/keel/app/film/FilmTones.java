package keel.app.film;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.Parts;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.app.standing.ConditionChanged;
import keel.core.Findings;
import keel.core.film.FilmTension;
import keel.core.film.HeardFilm;
import keel.core.film.Recording;
import keel.core.film.TapTone;
import keel.core.film.ToneComparison;
import keel.core.film.ToneTrace;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How films sounded, and what each model of vat should sound like. */
@Service
@Transactional
public class FilmTones {

    private final Parts parts;
    private final Logbook logbook;
    private final FilmToneRecords records;
    private final EntityManager entities;
    private final ApplicationEventPublisher events;
    private final ObjectMapper json;
    private final Clock clock;

    FilmTones(
            Parts parts,
            Logbook logbook,
            FilmToneRecords records,
            EntityManager entities,
            ApplicationEventPublisher events,
            ObjectMapper json,
            Clock clock) {
        this.parts = parts;
        this.logbook = logbook;
        this.records = records;
        this.entities = entities;
        this.events = events;
        this.json = json;
        this.clock = clock;
    }

    /**
     * Where a reference comes from: a film that sounded good, a tone that the shop or its film's supplier states, or a
     * maker's tension.
     */
    public enum School {
        EAR("A good film of this model"),
        STATED("A stated tone"),
        MAKER("The maker's tension");

        private final String words;

        School(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What was drawn of the two recordings; {@code quarter} is null without one. */
    public record Traces(
            ToneTrace centre, ToneTrace quarter, List<TapTone.Peak> centrePeaks, List<TapTone.Peak> quarterPeaks) {

        /** The tones that tell how even it is: of the taps off the centre, where there are any. */
        public List<TapTone.Peak> peaks() {
            return quarterPeaks.isEmpty() ? centrePeaks : quarterPeaks;
        }
    }

    /** A film as it was heard once; {@code traces} is null in lists. */
    public record Tone(
            long id,
            Instant at,
            String person,
            double hz,
            double spreadHz,
            int taps,
            Double temperatureC,
            double dryNPerM,
            double withAirNPerM,
            double stressMpa,
            Double evenness,
            Traces traces) {

        /** Against a reference; null without one. */
        public ToneComparison against(Reference reference) {
            return reference == null
                    ? null
                    : ToneComparison.of(hz, stressMpa, temperatureC, reference.hz(), reference.temperatureC());
        }
    }

    /** What a film of that thickness in a vat of that model should sound like. */
    public record Reference(
            long id,
            School school,
            double thicknessMm,
            double hz,
            Double tensionNPerM,
            Double temperatureC,
            Instant madeAt,
            String madeBy) {}

    /** What was heard of the film in a vat, with what a drawing needs. */
    public record Hearing(HeardFilm heard, Traces traces) {}

    /**
     * Listens to taps on the film in a vat.
     *
     * @param quarter taps at a quarter of the long side, null without them
     */
    @Transactional(readOnly = true)
    public Hearing hear(Vats.Vat vat, Recording centre, Recording quarter) {
        TapTone first = TapTone.of(centre);
        TapTone second = quarter == null ? null : TapTone.of(quarter);
        HeardFilm heard =
                HeardFilm.of(first, second, vat.model().window(), vat.film().thicknessMm());
        return new Hearing(
                heard,
                new Traces(
                        ToneTrace.of(centre),
                        quarter == null ? null : ToneTrace.of(quarter),
                        first.modes(),
                        second == null ? List.of() : second.modes()));
    }

    /** Keeps a clear tone of the film in a vat. Answers its number. */
    public long keep(Vats.Vat vat, Hearing hearing, Double temperatureC) {
        HeardFilm heard = hearing.heard();
        Actor actor = Actor.current();
        Findings findings = new Findings();
        findings.when(vat.film() == null, "file", "There is no film in vat " + vat.code() + ".");
        findings.when(!heard.clear(), "file", "There is no clear tone to keep.");
        findings.rangeIfGiven(temperatureC, -10, 60, "temperatureC", "The temperature", "°C");
        Refused.unless(findings);
        FilmTension t = heard.tension();
        FilmTone kept = new FilmTone();
        kept.filmId = vat.film().id();
        kept.at = clock.instant();
        kept.personId = actor.personId();
        kept.fundamentalHz = heard.centre().fundamentalHz();
        kept.spreadHz = heard.centre().taps() > 1 ? heard.centre().spreadHz() : 0;
        kept.taps = heard.centre().taps();
        kept.temperatureC = temperatureC;
        kept.take(t);
        kept.trace = text(hearing.traces());
        records.save(kept);
        events.publishEvent(new ConditionChanged());
        logbook.write(LogDraft.of(
                LogKind.FILM_TAPPED,
                parts.machineOfVat(vat.id()),
                "FILM_TONE",
                kept.id,
                clock.instant(),
                String.format(
                        Locale.ROOT,
                        "Film %s in vat %s tapped: %.0f Hz%s.",
                        vat.film().code(),
                        vat.code(),
                        heard.centre().fundamentalHz(),
                        t.evenness() == null ? "" : String.format(Locale.ROOT, ", evenness %.2f", t.evenness())),
                Map.of("film", vat.film().code(), "hz", heard.centre().fundamentalHz()),
                actor));
        return kept.id;
    }

    /**
     * What was heard while a film was being changed was the new one: its tones are brought over, reckoned for its own
     * thickness.
     *
     * @param since when the change was begun
     */
    public void carryOver(long oldFilm, Vats.Vat vat, Instant since) {
        List<Tone> heard =
                of(oldFilm).stream().filter(t -> !t.at().isBefore(since)).toList();
        for (Tone t : heard) {
            FilmTension n = vat.model()
                    .window()
                    .tension(t.hz(), t.traces().peaks(), vat.film().thicknessMm());
            FilmTone kept = records.findById(t.id()).orElseThrow();
            kept.filmId = vat.film().id();
            kept.take(n);
        }
    }

    /**
     * How the film in a vat was heard since a moment, against the reference for a thickness; empty where it was not, or
     * there is none.
     */
    @Transactional(readOnly = true)
    public Optional<ToneComparison> since(Vats.Vat vat, Instant since, double thicknessMm) {
        Reference reference = references().get(key(vat.model().id(), thicknessMm));
        return vat.film() == null || reference == null
                ? Optional.empty()
                : of(vat.film().id()).stream()
                        .filter(t -> !t.at().isBefore(since))
                        .findFirst()
                        .map(t -> t.against(reference));
    }

    /** Takes a tone back that was no good tap. */
    public void withdraw(Vats.Vat vat, long id) {
        Actor actor = Actor.current();
        Optional<FilmTone> tone = vat.film() == null
                ? Optional.empty()
                : records.findByIdAndFilmIdAndWithdrawnFalse(id, vat.film().id());
        tone.orElseThrow(() -> new NotThere("There is no such tone of this film.")).withdrawn = true;
        events.publishEvent(new ConditionChanged());
        logbook.write(LogDraft.of(
                        LogKind.FILM_TAPPED,
                        parts.machineOfVat(vat.id()),
                        "FILM_TONE",
                        id,
                        clock.instant(),
                        "A tone of film " + vat.film().code() + " taken back.",
                        Map.of("tone", id),
                        actor)
                .superseding(logbook.latest("FILM_TONE", id, LogKind.FILM_TAPPED), "not a good tap"));
    }

    /** Tones of a film, latest first. */
    @Transactional(readOnly = true)
    public List<Tone> of(long filmId) {
        return records.of(filmId).stream().map(this::tone).toList();
    }

    /**
     * The latest tone of each film that is in a vat, by the film's number in the records, without what was drawn of it.
     */
    @Transactional(readOnly = true)
    public Map<Long, Tone> latest() {
        return records.latest().stream()
                .collect(Collectors.toMap(
                        FilmToneRecords.Latest::film,
                        t -> new Tone(
                                t.id(),
                                t.at(),
                                t.person(),
                                t.hz(),
                                t.spreadHz(),
                                t.taps(),
                                t.temperatureC(),
                                t.dryNPerM(),
                                t.withAirNPerM(),
                                t.stressMpa(),
                                t.evenness(),
                                null)));
    }

    /** The reference of each model, by its number and the thickness in micrometres. */
    @Transactional(readOnly = true)
    public Map<String, Reference> references() {
        return records.references().stream()
                .collect(Collectors.toMap(
                        r -> key(r.reference().modelId, r.reference().thicknessMm), FilmTones::reference));
    }

    private static Reference reference(FilmToneRecords.Made made) {
        ToneReference r = made.reference();
        return new Reference(
                r.id, r.school, r.thicknessMm, r.hz, r.tensionNPerM, r.temperatureC, r.madeAt, made.person());
    }

    /** What the film in this vat should sound like, if somebody said so. */
    @Transactional(readOnly = true)
    public Optional<Reference> reference(Vats.Vat vat) {
        return Optional.ofNullable(
                vat.film() == null || vat.film().thicknessMm() == null
                        ? null
                        : references().get(key(vat.model().id(), vat.film().thicknessMm())));
    }

    /** The key of a reference in {@link #references}: a model and a thickness. */
    public static String key(long model, double thicknessMm) {
        return model + " " + Math.round(1000 * thicknessMm);
    }

    /** A film that sounded good becomes the reference of its model and thickness. */
    public void refer(Vats.Vat vat, long toneId) {
        Tone tone = of(vat.film().id()).stream()
                .filter(t -> t.id() == toneId)
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no such tone of this film."));
        write(vat, School.EAR, tone.hz(), null, tone.temperatureC(), toneId);
    }

    /** A tone that somebody states. */
    public void state(Vats.Vat vat, Double hz, Double temperatureC) {
        Findings findings = new Findings();
        findings.range(hz, 20, 5000, "hz", "The tone", "Hz");
        write(vat, School.STATED, findings, hz, null, temperatureC);
    }

    /** A maker's tension, with the mass of the air, becomes a tone of this window. */
    public void make(Vats.Vat vat, Double newtonPerMetre, Double temperatureC) {
        Findings findings = new Findings();
        boolean sound = findings.range(newtonPerMetre, 1, 20_000, "tension", "The tension", "N/m");
        Double hz = !sound
                ? null
                : Double.valueOf(
                        vat.model().window().toneHz(newtonPerMetre, vat.film().thicknessMm()));
        write(vat, School.MAKER, findings, hz, newtonPerMetre, temperatureC);
    }

    private void write(Vats.Vat vat, School school, Findings findings, Double hz, Double tension, Double temperatureC) {
        findings.rangeIfGiven(temperatureC, -10, 60, "temperatureC", "The temperature", "°C");
        findings.when(vat.film() == null, "hz", "There is no film in vat " + vat.code() + ".");
        Refused.unless(findings);
        write(vat, school, hz, tension, temperatureC, null);
    }

    private void write(Vats.Vat vat, School school, double hz, Double tension, Double temperatureC, Long toneId) {
        Actor keeper = Actor.require(Role.KEEPER);
        ToneReference reference = new ToneReference();
        reference.modelId = vat.model().id();
        reference.thicknessMm = vat.film().thicknessMm();
        reference.school = school;
        reference.hz = hz;
        reference.tensionNPerM = tension;
        reference.temperatureC = temperatureC;
        reference.toneId = toneId;
        reference.madeAt = clock.instant();
        reference.personId = keeper.personId();
        entities.persist(reference);
        events.publishEvent(new ConditionChanged());
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                null,
                "SHOP",
                vat.model().id(),
                clock.instant(),
                String.format(
                        Locale.ROOT,
                        "Reference tone for films of %.3f mm in vats for %s: %.0f Hz, %s.",
                        vat.film().thicknessMm(),
                        vat.model().name(),
                        hz,
                        school.words().toLowerCase(Locale.ROOT)),
                Map.of("hz", hz, "school", school),
                keeper));
    }

    private Tone tone(FilmToneRecords.Heard heard) {
        FilmTone t = heard.tone();
        return new Tone(
                t.id,
                t.at,
                heard.person(),
                t.fundamentalHz,
                t.spreadHz,
                t.taps,
                t.temperatureC,
                t.dryNPerM,
                t.withAirNPerM,
                t.stressMpa,
                t.evenness,
                traces(t.trace));
    }

    private String text(Traces traces) {
        try {
            return json.writeValueAsString(traces);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private Traces traces(String text) {
        try {
            return json.readValue(text, Traces.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
