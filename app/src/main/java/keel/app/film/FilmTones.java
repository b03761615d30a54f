package keel.app.film;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
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
import keel.core.Findings;
import keel.core.film.FilmTension;
import keel.core.film.HeardFilm;
import keel.core.film.Recording;
import keel.core.film.TapTone;
import keel.core.film.ToneComparison;
import keel.core.film.ToneTrace;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How films sounded, and what each model of vat should sound like. */
@Service
@Transactional
public class FilmTones {

    private static final String TONE =
            """
            select t.id, t.film_id, t.at, p.name, t.fundamental_hz, t.spread_hz, t.taps, t.temperature_c,
            t.dry_n_per_m, t.with_air_n_per_m, t.stress_mpa, t.evenness, t.trace
            from film_tone t join person p on p.id = t.person_id where not t.withdrawn
            """;

    private final Parts parts;
    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final ObjectMapper json;
    private final Clock clock;

    FilmTones(Parts parts, Logbook logbook, JdbcClient jdbc, ObjectMapper json, Clock clock) {
        this.parts = parts;
        this.logbook = logbook;
        this.jdbc = jdbc;
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
                        first.peaks(),
                        second == null ? List.of() : second.peaks()));
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
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        jdbc.sql(
                        """
                insert into film_tone (film_id, at, person_id, fundamental_hz, spread_hz, taps, temperature_c,
                dry_n_per_m, with_air_n_per_m, stress_mpa, evenness, trace, withdrawn)
                values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, false)""")
                .params(
                        vat.film().id(),
                        clock.instant().atOffset(ZoneOffset.UTC),
                        actor.personId(),
                        heard.centre().fundamentalHz(),
                        heard.centre().spreadHz(),
                        heard.centre().taps(),
                        temperatureC,
                        t.dryNPerM(),
                        t.withAirNPerM(),
                        t.stressMPa(),
                        t.evenness(),
                        text(hearing.traces()))
                .update(key, "id");
        long id = key.getKey().longValue();
        logbook.write(LogDraft.of(
                LogKind.FILM_TAPPED,
                parts.machineOfVat(vat.id()),
                "FILM_TONE",
                id,
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
        return id;
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
            jdbc.sql("update film_tone set film_id = ?, dry_n_per_m = ?, with_air_n_per_m = ?, stress_mpa = "
                            + "?, evenness = ? where id = ?")
                    .params(vat.film().id(), n.dryNPerM(), n.withAirNPerM(), n.stressMPa(), n.evenness(), t.id())
                    .update();
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
        int changed = vat.film() == null
                ? 0
                : jdbc.sql("update film_tone set withdrawn = true where id = ? and film_id = ? and not withdrawn")
                        .params(id, vat.film().id())
                        .update();
        if (changed == 0) {
            throw new NotThere("There is no such tone of this film.");
        }
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
        return jdbc.sql(TONE + " and t.film_id = ? order by t.at desc, t.id desc")
                .param(filmId)
                .query((row, i) -> tone(row))
                .list();
    }

    /**
     * The latest tone of each film that is in a vat, by the film's number in the records, without what was drawn of it.
     */
    @Transactional(readOnly = true)
    public Map<Long, Tone> latest() {
        record ToneRow(long film, Tone tone) {}
        return jdbc
                .sql(
                        TONE.replace("t.trace", "'null'")
                                + """
                 and t.id in (select max(x.id) from film_tone x join fitting f on f.component_id = x.film_id
                 and f.removed_at is null where not x.withdrawn group by x.film_id)""")
                .query((row, i) -> new ToneRow(row.getLong(2), tone(row)))
                .list()
                .stream()
                .collect(Collectors.toMap(ToneRow::film, ToneRow::tone));
    }

    /** The reference of each model, by its number and the thickness in micrometres. */
    @Transactional(readOnly = true)
    public Map<String, Reference> references() {
        record ToneRow(long model, Reference reference) {}
        return jdbc
                .sql(
                        """
                select r.model_id, r.id, r.school, r.thickness_mm, r.hz, r.tension_n_per_m, r.temperature_c,
                r.made_at, p.name from tone_reference r join person p on p.id = r.person_id
                where r.id in (select max(id) from tone_reference group by model_id, thickness_mm)""")
                .query((row, i) -> new ToneRow(
                        row.getLong(1),
                        new Reference(
                                row.getLong(2),
                                School.valueOf(row.getString(3)),
                                row.getDouble(4),
                                row.getDouble(5),
                                row.getObject(6, Double.class),
                                row.getObject(7, Double.class),
                                row.getObject(8, OffsetDateTime.class).toInstant(),
                                row.getString(9))))
                .list()
                .stream()
                .collect(Collectors.toMap(r -> key(r.model(), r.reference().thicknessMm()), ToneRow::reference));
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
        jdbc.sql("insert into tone_reference (model_id, thickness_mm, school, hz, tension_n_per_m, "
                        + "temperature_c, tone_id, made_at, person_id) values (?, ?, ?, ?, ?, ?, ?, ?, ?)")
                .params(
                        vat.model().id(),
                        vat.film().thicknessMm(),
                        school.name(),
                        hz,
                        tension,
                        temperatureC,
                        toneId,
                        clock.instant().atOffset(ZoneOffset.UTC),
                        keeper.personId())
                .update();
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

    private Tone tone(ResultSet row) throws SQLException {
        return new Tone(
                row.getLong(1),
                row.getObject(3, OffsetDateTime.class).toInstant(),
                row.getString(4),
                row.getDouble(5),
                row.getDouble(6),
                row.getInt(7),
                row.getObject(8, Double.class),
                row.getDouble(9),
                row.getDouble(10),
                row.getDouble(11),
                row.getObject(12, Double.class),
                traces(row.getString(13)));
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
