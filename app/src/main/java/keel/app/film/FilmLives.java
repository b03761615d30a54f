package keel.app.film;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
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
import org.springframework.jdbc.core.simple.JdbcClient;
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
    private static final String FILM =
            """
            select c.id, c.code, c.material, c.thickness_mm, v.code as vat, o.name as model, p.code as pack,
            p.supplier, c.since, c.ended_at, c.end_reason,
              coalesce(t.hours, 0) + c.baseline_hours as hours, coalesce(t.layers, 0) + c.baseline_layers as peels,
              (select count(*) from film_experiment e where e.film_id = c.id and not e.withdrawn) as experiments
            from component c
            left join fitting f on f.component_id = c.id and f.id = (select max(x.id) from fitting x
            where x.component_id = c.id)
            left join component v on v.id = f.vat_id left join machine_model o on o.id = v.model_id left
            join film_pack p on p.id = c.pack_id
            left join meter t on t.scope = 'COMPONENT' and t.owner_id = c.id
            where c.kind = 'FILM' and not c.withdrawn
            """;

    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final Clock clock;

    FilmLives(Logbook logbook, JdbcClient jdbc, Clock clock) {
        this.logbook = logbook;
        this.jdbc = jdbc;
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
        return jdbc.sql(FILM + " order by c.number desc")
                .query((row, i) -> new FilmLine(
                        row.getString("code"),
                        row.getString("material"),
                        row.getObject("thickness_mm", Double.class),
                        row.getString("vat"),
                        row.getString("model"),
                        row.getString("pack"),
                        row.getString("supplier"),
                        time(row, "since"),
                        time(row, "ended_at"),
                        row.getString("end_reason"),
                        row.getDouble("hours"),
                        row.getLong("peels"),
                        row.getInt("experiments") > 0))
                .list();
    }

    /** Films of a model that ended in the last year, in a year. */
    @Transactional(readOnly = true)
    public double changesPerYear(long modelId) {
        OffsetDateTime first = jdbc.sql(
                        "select min(c.since) from component c where c.kind = 'VAT' and c.model_id = ? and not "
                                + "c.withdrawn")
                .param(modelId)
                .query(OffsetDateTime.class)
                .optional()
                .orElse(null);
        if (first == null) {
            return 0;
        }
        Instant from = first.toInstant().isAfter(clock.instant().minus(A_YEAR))
                ? first.toInstant()
                : clock.instant().minus(A_YEAR);
        int ended = jdbc.sql(
                        """
                select count(*) from fitting f join component c on c.id = f.component_id and c.kind = 'FILM'
                and not c.withdrawn join component v on v.id = f.vat_id
                where v.model_id = ? and c.ended_at >= ? and f.removed_at is not null""")
                .params(modelId, from.atOffset(ZoneOffset.UTC))
                .query(Integer.class)
                .single();
        return ended
                / Math.max(1 / 52.0, Duration.between(from, clock.instant()).toHours() / 24.0 / 365);
    }

    /**
     * Minutes that changes of a film took lately by the guide, as a middle value; empty where nobody went by the guide.
     */
    @Transactional(readOnly = true)
    public Optional<Double> changeMinutes() {
        List<Double> minutes = jdbc
                .sql(
                        """
                select cast(datediff(minute, started_at, finished_at) as double precision) from guide_session
                where procedure_code = 'film-change' and finished_at is not null
                and machine_id is not null order by finished_at desc fetch first 9 rows only""")
                .query(Double.class)
                .list()
                .stream()
                .sorted()
                .toList();
        return minutes.isEmpty() ? Optional.empty() : Optional.of(minutes.get(minutes.size() / 2));
    }

    @Transactional(readOnly = true)
    public ThinOrThick thinOrThick() {
        return ThinOrThick.of(kind(true), kind(false));
    }

    private ThinOrThick.Pool kind(boolean thin) {
        String which = " c.kind = 'FILM' and not c.withdrawn and c.material <> 'OTHER' and c.thickness_mm "
                + (thin ? "<=" : ">") + " " + ThinOrThick.THIN_UP_TO_MM;
        ThinOrThick.Pool films = jdbc.sql(
                        "select count(*), coalesce(sum(t.hours), 0), count(case when c.end_reason = 'PIERCED' then "
                                + "1 end) from component c left join meter t on t.scope = 'COMPONENT' "
                                + "and t.owner_id = c.id where" + which)
                .query((row, i) -> new ThinOrThick.Pool(row.getInt(1), row.getDouble(2), row.getInt(3), 0))
                .single();
        int soft = jdbc.sql(
                        """
                select count(distinct f.id) from failure f join failure_symptom s on s.failure_id = f.id
                and s.present and s.symptom = 'soft-detail'
                join fitting vf on vf.machine_id = f.machine_id and vf.fitted_at <= f.seen_at
                and (vf.removed_at is null or vf.removed_at > f.seen_at)
                join fitting ff on ff.vat_id = vf.component_id and ff.fitted_at <= f.seen_at
                and (ff.removed_at is null or ff.removed_at > f.seen_at)
                join component c on c.id = ff.component_id where not f.withdrawn and"""
                                + which)
                .query(Integer.class)
                .single();
        return new ThinOrThick.Pool(films.films(), films.hours(), films.leaks(), soft);
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
        jdbc.sql("insert into film_experiment (film_id, what, at, person_id, withdrawn) values (?, ?, ?, ?, false)")
                .params(vat.film().id(), what.strip(), clock.instant().atOffset(ZoneOffset.UTC), actor.personId())
                .update();
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
        if (vat.film() == null
                || jdbc.sql("update film_experiment set withdrawn = true where id = ? and film_id = ?")
                                .params(id, vat.film().id())
                                .update()
                        == 0) {
            throw new NotThere("There is no such experiment on this film.");
        }
    }

    @Transactional(readOnly = true)
    public List<Experiment> experiments(Vats.Vat vat) {
        if (vat.film() == null) {
            return List.of();
        }
        return jdbc.sql("select e.id, e.what, e.at, p.name from film_experiment e join person p on p.id = "
                        + "e.person_id where e.film_id = ? and not e.withdrawn order by e.id desc")
                .param(vat.film().id())
                .query((row, i) -> {
                    Instant at = time(row, "at");
                    Fared here = fared(vat, at, true);
                    Fared elsewhere = fared(vat, at, false);
                    return new Experiment(
                            row.getLong(1),
                            row.getString(2),
                            at,
                            row.getString(4),
                            here.rate(),
                            elsewhere.rate(),
                            here.hours());
                })
                .list();
    }

    private record Fared(int good, int all, double hours) {

        SuccessRate rate() {
            return all == 0 ? null : SuccessRate.of(good, all);
        }
    }

    private Fared fared(Vats.Vat vat, Instant since, boolean withIt) {
        return jdbc.sql(
                        """
                select count(case when r.outcome = 'GOOD' then 1 end), count(*), coalesce(cast(sum(datediff(minute,
                r.started_at, r.ended_at)) as double precision) / 60, 0)
                from run r join machine m on m.id = r.machine_id and m.model_id = :model
                join fitting vf on vf.machine_id = r.machine_id and vf.fitted_at <= r.started_at
                and (vf.removed_at is null or vf.removed_at > r.started_at)
                join fitting ff on ff.vat_id = vf.component_id and ff.fitted_at <= r.started_at
                and (ff.removed_at is null or ff.removed_at > r.started_at)
                join component c on c.id = ff.component_id and c.kind = 'FILM'
                where r.started_at >= :since and r.ended_at is not null and not r.withdrawn
                and (c.id = :film) = :with""")
                .param("model", vat.model().id())
                .param("since", since.atOffset(ZoneOffset.UTC))
                .param("film", vat.film().id())
                .param("with", withIt)
                .query((row, i) -> new Fared(row.getInt(1), row.getInt(2), row.getDouble(3)))
                .single();
    }

    private static Instant time(ResultSet row, String column) throws SQLException {
        OffsetDateTime time = row.getObject(column, OffsetDateTime.class);
        return time == null ? null : time.toInstant();
    }
}
