package keel.app.standing;

import java.time.Instant;
import java.util.Optional;
import keel.app.base.Rows;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * What a machine was doing at a time. Entries take the machine's lock first, so that two at once cannot both find it
 * free.
 */
@Service
@Transactional(propagation = Propagation.MANDATORY)
public class Occupancy {

    private static final Instant FOREVER = Instant.parse("9999-01-01T00:00:00Z");

    private final JdbcClient jdbc;

    Occupancy(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A run found in the way. */
    public record Found(long runId, String job, Instant startedAt, Instant endedAt) {}

    /** Makes other entries about this machine wait until this one is written. */
    public void lock(long machineId) {
        jdbc.sql("select id from machine where id = ? for update")
                .param(machineId)
                .query(Long.class)
                .single();
    }

    /** A run that overlaps the given time; {@code to} null means without end. {@code except} is left out of account. */
    public Optional<Found> overlapping(long machineId, Instant from, Instant to, Long except) {
        return jdbc.sql(
                        """
                select id, job, started_at, ended_at from run where machine_id = :machine and not withdrawn
                and started_at < :to
                  and (ended_at is null or ended_at > :from) and id <> :except order by started_at
                  fetch first row only""")
                .param("machine", machineId)
                .param("from", Rows.time(from))
                .param("to", Rows.time(to == null ? FOREVER : to))
                .param("except", except == null ? -1 : except)
                .query((row, i) ->
                        new Found(row.getLong(1), row.getString(2), Rows.instant(row, 3), Rows.instant(row, 4)))
                .optional();
    }

    /** The run that was going on at a moment, ends excluded. */
    public Optional<Found> runAt(long machineId, Instant at) {
        return overlapping(machineId, at, at.plusMillis(1), null)
                .filter(r -> r.startedAt().isBefore(at));
    }

    /** Code of the film that was in at a moment, or empty. */
    public Optional<String> filmAt(long machineId, Instant at) {
        return jdbc.sql(
                        """
                select c.code from fitting vf join fitting ff on ff.vat_id = vf.component_id join component c
                on c.id = ff.component_id
                where vf.machine_id = :machine and vf.fitted_at <= :at and (vf.removed_at is null
                or vf.removed_at > :at)
                  and ff.fitted_at <= :at and (ff.removed_at is null or ff.removed_at > :at) fetch first row only""")
                .param("machine", machineId)
                .param("at", Rows.time(at))
                .query(String.class)
                .optional();
    }

    /** The vat that was on a machine at a moment, or empty. */
    public Optional<Long> vatAt(long machineId, Instant at) {
        return jdbc.sql(
                        """
                select f.component_id from fitting f join component c on c.id = f.component_id and c.kind = 'VAT'
                where f.machine_id = :machine and f.fitted_at <= :at and (f.removed_at is null
                or f.removed_at > :at) fetch first row only""")
                .param("machine", machineId)
                .param("at", Rows.time(at))
                .query(Long.class)
                .optional();
    }

    /** A film, tank, vat or screen that was taken out or put in within the given time, as a code, or empty. */
    public Optional<String> changedWithin(long machineId, Instant from, Instant to) {
        return jdbc.sql(
                        """
                select s.kind from service s where s.machine_id = :machine and not s.withdrawn and s.at > :from
                and s.at < :to
                  and s.kind in ('FILM_CHANGE', 'TANK_CHANGE', 'VAT_FITTED', 'VAT_REMOVED', 'SCREEN_CHANGE')
                  fetch first row only""")
                .param("machine", machineId)
                .param("from", Rows.time(from))
                .param("to", Rows.time(to))
                .query(String.class)
                .optional();
    }
}
