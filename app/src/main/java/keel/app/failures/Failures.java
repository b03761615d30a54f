package keel.app.failures;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.base.Paging;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.standing.Occupancy;
import keel.app.standing.Rebuild;
import keel.core.Findings;
import keel.core.failure.Certainty;
import keel.core.knowledge.Knowledge;
import keel.core.run.RunRules;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Logs failures, what was checked, and what the cause was. */
@Service
@Transactional
public class Failures {

    private static final String VIEW =
            """
            select f.id, m.code, m.name, f.run_id, r.job, f.seen_at, f.note, f.cause, f.cause_at, f.withdrawn,
            f.version, f.parts_printed, f.parts_lost, r.reached_layer,
              case when f.certainty = 'PRESUMED' and not exists (select 1 from open_cause o
              where o.failure_id = f.id) then 'FOUND' else f.certainty end as certainty,
              (select listagg(s.symptom, ',') within group (order by s.symptom) from failure_symptom s
              where s.failure_id = f.id and s.present) as seen,
              (select listagg(s.symptom, ',') within group (order by s.symptom) from failure_symptom s
              where s.failure_id = f.id and not s.present) as absent,
              (select listagg(z.zone, ',') within group (order by z.zone) from failure_zone z
              where z.failure_id = f.id) as zones,
              (select count(*) from photo p where p.failure_id = f.id) as photos
            from failure f join machine m on m.id = f.machine_id left join run r on r.id = f.run_id
            """;

    private final FailureRecords records;
    private final Fleet fleet;
    private final Runs runs;
    private final Occupancy occupancy;
    private final Rebuild rebuild;
    private final Logbook logbook;
    private final Knowledge knowledge;
    private final JdbcClient jdbc;
    private final Clock clock;

    Failures(
            FailureRecords records,
            Fleet fleet,
            Runs runs,
            Occupancy occupancy,
            Rebuild rebuild,
            Logbook logbook,
            Knowledge knowledge,
            JdbcClient jdbc,
            Clock clock) {
        this.records = records;
        this.fleet = fleet;
        this.runs = runs;
        this.occupancy = occupancy;
        this.rebuild = rebuild;
        this.logbook = logbook;
        this.knowledge = knowledge;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public FailureView log(FailureEntry entry) {
        Actor actor = Actor.current();
        MachineRef machine = fleet.machineOfEntry(entry.machine());
        check(entry, machine);
        occupancy.lock(machine.id());
        Failure failure = new Failure();
        failure.machineId = machine.id();
        take(failure, entry);
        records.saveAndFlush(failure);
        rebuild.machine(machine.id(), failure.seenAt);
        return written(LogKind.FAILURE_LOGGED, failure, "", actor, null, null);
    }

    /**
     * Puts a failure right.
     *
     * @param version the version that was read, null to take whatever is recorded
     * @throws EditedMeanwhile if somebody else changed it since
     */
    public FailureView correct(long id, Integer version, FailureEntry entry, Boolean withdrawn, String reason) {
        Actor actor = Actor.current();
        Failure failure = record(id);
        if (version != null && version != failure.version) {
            throw new EditedMeanwhile(one(id));
        }
        Findings findings = new Findings();
        findings.text(reason, 400, "reason", "The reason for the correction");
        Refused.unless(findings);
        MachineRef machine = fleet.machine(failure.machineId);
        check(entry, machine);
        occupancy.lock(machine.id());
        Instant earliest = failure.seenAt;
        take(failure, entry);
        failure.withdrawn = withdrawn == null ? failure.withdrawn : withdrawn;
        records.saveAndFlush(failure);
        rebuild.machine(machine.id(), earliest.isBefore(failure.seenAt) ? earliest : failure.seenAt);
        Long superseded = logbook.latest("FAILURE", id, LogKind.FAILURE_LOGGED, LogKind.FAILURE_CORRECTED);
        return written(
                LogKind.FAILURE_CORRECTED,
                failure,
                failure.withdrawn ? "Withdrawn: " : "Corrected: ",
                actor,
                superseded,
                reason.strip());
    }

    @Transactional(readOnly = true)
    public FailureView one(long id) {
        return jdbc.sql(VIEW + " where f.id = ?")
                .param(id)
                .query(Failures::row)
                .optional()
                .orElseThrow(() -> new NotThere("There is no failure " + id + "."));
    }

    /** Newest first, withdrawn ones left out; {@code open} asks for those without a cause only. */
    @Transactional(readOnly = true)
    public List<FailureView> list(String machine, boolean open, Paging paging) {
        List<String> where = new ArrayList<>(List.of("not f.withdrawn"));
        if (machine != null && !machine.isBlank()) {
            where.add("m.code = :machine");
        }
        if (open) {
            where.add("f.certainty is null");
        }
        return jdbc.sql(VIEW + " where " + String.join(" and ", where)
                        + " order by f.seen_at desc, f.id desc offset :skip rows fetch next :size rows only")
                .param("machine", machine)
                .param("skip", paging.skip())
                .param("size", paging.size())
                .query(Failures::row)
                .list();
    }

    /** The latest that were closed with a cause. */
    @Transactional(readOnly = true)
    List<FailureView> closed(int most) {
        return jdbc.sql(VIEW
                        + " where not f.withdrawn and f.cause is not null and f.certainty in ('FOUND', "
                        + "'PRESUMED') order by f.seen_at desc, f.id desc fetch first :most rows only")
                .param("most", most)
                .query(Failures::row)
                .list();
    }

    /** Where on a machine's plate failures were seen since then: zone to how many. */
    @Transactional(readOnly = true)
    public Map<String, Integer> zonesSince(long machineId, Instant from) {
        Map<String, Integer> zones = new HashMap<>();
        jdbc.sql(
                        """
                select z.zone, count(*) from failure_zone z join failure f on f.id = z.failure_id
                where f.machine_id = ? and f.seen_at >= ? and not f.withdrawn group by z.zone""")
                .params(machineId, from.atOffset(ZoneOffset.UTC))
                .query((row, i) -> zones.put(row.getString(1), row.getInt(2)))
                .list();
        return zones;
    }

    /** When failures were seen on a machine since then. */
    @Transactional(readOnly = true)
    public List<Instant> seenSince(long machineId, Instant from) {
        return jdbc.sql("select seen_at from failure where machine_id = ? and seen_at >= ? and not withdrawn order "
                        + "by seen_at")
                .params(machineId, from.atOffset(ZoneOffset.UTC))
                .query((row, i) -> row.getObject(1, OffsetDateTime.class).toInstant())
                .list();
    }

    private void check(FailureEntry entry, MachineRef machine) {
        Findings findings = new Findings();
        for (String symptom : entry.symptoms()) {
            findings.when(
                    symptom == null || knowledge.symptom(symptom).isEmpty(),
                    "symptoms",
                    "There is no symptom " + symptom + ".");
            findings.when(
                    entry.absent().contains(symptom),
                    "absent",
                    "The symptom " + symptom + " cannot be there and not be there.");
        }
        for (String symptom : entry.absent()) {
            findings.when(
                    symptom == null || knowledge.symptom(symptom).isEmpty(),
                    "absent",
                    "There is no symptom " + symptom + ".");
        }
        for (String zone : entry.zones()) {
            findings.when(
                    zone == null || !zone.matches("[A-F][1-4]"),
                    "zones",
                    "There is no place " + zone + " on the plate: A1 (front left) to F4 (back right).");
        }
        findings.when(
                entry.note() != null && entry.note().length() > 4000,
                "note",
                "A note may have 4000 characters at most.");
        Instant seenAt = entry.seenAt();
        findings.when(
                seenAt != null && seenAt.isAfter(clock.instant().plus(RunRules.CLOCK_TOLERANCE)),
                "seenAt",
                "That lies in the future.");
        findings.when(
                seenAt != null && seenAt.isBefore(machine.since()), "seenAt", "The machine was not in the shop yet.");
        checkRun(entry, machine, findings);
        Refused.unless(findings);
    }

    private void checkRun(FailureEntry entry, MachineRef machine, Findings findings) {
        if (entry.run() == null) {
            return;
        }
        try {
            RunView run = runs.one(entry.run());
            findings.when(
                    !run.machine().equals(machine.code()),
                    "run",
                    "Run " + run.id() + " was on " + run.machineName() + ", not on " + machine.name() + ".");
            findings.when(
                    entry.seenAt() != null && entry.seenAt().isBefore(run.startedAt()),
                    "seenAt",
                    "The run had not started then.");
        } catch (NotThere e) {
            findings.add("run", e.getMessage());
        }
    }

    private void take(Failure failure, FailureEntry entry) {
        failure.runId = entry.run();
        failure.seenAt = entry.seenAt() != null
                ? entry.seenAt().truncatedTo(ChronoUnit.MILLIS)
                : failure.seenAt != null ? failure.seenAt : clock.instant();
        failure.note = entry.note() == null || entry.note().isBlank()
                ? null
                : entry.note().strip();
        failure.symptoms.clear();
        entry.symptoms().forEach(s -> failure.symptoms.put(s, true));
        entry.absent().forEach(s -> failure.symptoms.put(s, false));
        failure.zones.clear();
        failure.zones.addAll(entry.zones());
    }

    private FailureView written(
            LogKind kind, Failure failure, String prefix, Actor actor, Long supersedes, String reason) {
        FailureView view = one(failure.id);
        String seen = view.symptoms().isEmpty()
                ? "failed, nothing more noted"
                : view.symptoms().stream()
                        .map(s -> knowledge.symptom(s).orElseThrow().name())
                        .collect(Collectors.joining(", "))
                        .toLowerCase(Locale.ROOT);
        String where = view.zones().isEmpty() ? "" : " at " + String.join(" ", view.zones());
        logbook.write(LogDraft.of(
                        kind,
                        failure.machineId,
                        "FAILURE",
                        failure.id,
                        failure.seenAt,
                        prefix + view.machineName() + ": " + seen + where
                                + (view.job() == null ? "" : " (" + view.job() + ")") + ".",
                        view,
                        actor)
                .noting(failure.note)
                .superseding(supersedes, reason));
        return view;
    }

    /** @throws NotThere if there is none */
    Failure record(long id) {
        return records.findById(id).orElseThrow(() -> new NotThere("There is no failure " + id + "."));
    }

    private static FailureView row(ResultSet row, int number) throws SQLException {
        OffsetDateTime causeAt = row.getObject("cause_at", OffsetDateTime.class);
        String certainty = row.getString("certainty");
        return new FailureView(
                row.getLong("id"),
                row.getString("code"),
                row.getString("name"),
                row.getObject("run_id", Long.class),
                row.getString("job"),
                row.getObject("seen_at", OffsetDateTime.class).toInstant(),
                codes(row.getString("seen")),
                codes(row.getString("absent")),
                codes(row.getString("zones")),
                row.getString("note"),
                row.getString("cause"),
                certainty == null ? null : Certainty.valueOf(certainty),
                causeAt == null ? null : causeAt.toInstant(),
                row.getInt("photos"),
                row.getBoolean("withdrawn"),
                row.getInt("version"),
                row.getObject("parts_printed", Integer.class),
                row.getObject("parts_lost", Integer.class),
                row.getObject("reached_layer", Integer.class));
    }

    static List<String> codes(String joined) {
        return joined == null || joined.isEmpty() ? List.of() : List.of(joined.split(","));
    }
}
