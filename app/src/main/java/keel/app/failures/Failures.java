package keel.app.failures;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import keel.app.base.Conflict;
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
import keel.core.diagnosis.Odds;
import keel.core.failure.Certainty;
import keel.core.failure.FixHeld;
import keel.core.knowledge.Check;
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
    private final FailureChecks checks;
    private final Photos photos;
    private final PhotoStore store;
    private final Fleet fleet;
    private final Runs runs;
    private final Occupancy occupancy;
    private final Rebuild rebuild;
    private final Logbook logbook;
    private final Knowledge knowledge;
    private final Odds odds;
    private final JdbcClient jdbc;
    private final Clock clock;

    Failures(
            FailureRecords records,
            FailureChecks checks,
            Photos photos,
            PhotoStore store,
            Fleet fleet,
            Runs runs,
            Occupancy occupancy,
            Rebuild rebuild,
            Logbook logbook,
            Knowledge knowledge,
            Odds odds,
            JdbcClient jdbc,
            Clock clock) {
        this.records = records;
        this.checks = checks;
        this.photos = photos;
        this.store = store;
        this.fleet = fleet;
        this.runs = runs;
        this.occupancy = occupancy;
        this.rebuild = rebuild;
        this.logbook = logbook;
        this.knowledge = knowledge;
        this.odds = odds;
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

    /**
     * Names the cause. With UNKNOWN, a cause is what was suspected, and may be left out. FOUND is written as PRESUMED
     * until a good print since the failure has got past the point where it failed; from then on it is found by itself.
     */
    public FailureView nameCause(long id, String cause, String certainty, String note) {
        Actor actor = Actor.current();
        Failure failure = record(id);
        Findings findings = new Findings();
        Certainty sure = Arrays.stream(Certainty.values())
                .filter(c -> c.name().equals(certainty))
                .findFirst()
                .orElse(null);
        findings.when(sure == null, "certainty", "The certainty is FOUND, PRESUMED or UNKNOWN.");
        boolean named = cause != null && !cause.isBlank();
        findings.when(named && knowledge.cause(cause).isEmpty(), "cause", "There is no cause " + cause + ".");
        findings.when(
                !named && sure != null && sure != Certainty.UNKNOWN,
                "cause",
                "Name the cause, or say that it is unknown.");
        Refused.unless(findings);
        occupancy.lock(failure.machineId);
        failure.cause = named ? cause : null;
        failure.certainty = sure == Certainty.FOUND && !held(failure) ? Certainty.PRESUMED : sure;
        failure.causeAt = clock.instant();
        records.saveAndFlush(failure);
        rebuild.machine(failure.machineId, failure.seenAt);
        FailureView view = one(id);
        String words = view.certainty() == Certainty.UNKNOWN
                ? "Cause unknown" + (named ? "; suspected: " + causeName(cause).toLowerCase(Locale.ROOT) : "")
                : view.certainty().words() + " cause: " + causeName(cause).toLowerCase(Locale.ROOT);
        logbook.write(LogDraft.of(
                        LogKind.CAUSE_NAMED,
                        failure.machineId,
                        "FAILURE",
                        id,
                        failure.causeAt,
                        view.machineName() + ": " + words + ".",
                        view,
                        actor)
                .noting(note)
                .superseding(logbook.latest("FAILURE", id, LogKind.CAUSE_NAMED), null));
        return view;
    }

    /** Whether a good print since the failure got past the point where it failed. */
    private boolean held(Failure failure) {
        Integer layer = failure.runId == null ? null : runs.one(failure.runId).reachedLayer();
        List<FixHeld.GoodRun> good = jdbc.sql(
                        "select started_at, layers from run where machine_id = ? and outcome in ('GOOD', 'USABLE') "
                                + "and not withdrawn and started_at >= ?")
                .params(failure.machineId, failure.seenAt.atOffset(ZoneOffset.UTC))
                .query((row, i) -> new FixHeld.GoodRun(
                        row.getObject(1, OffsetDateTime.class).toInstant(), row.getInt(2)))
                .list();
        return FixHeld.by(good, layer, failure.seenAt);
    }

    /** Takes the verdict back: the cause is open again. */
    public FailureView reopen(long id, String reason) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        findings.text(reason, 400, "reason", "Why it is opened again");
        Refused.unless(findings);
        Failure failure = record(id);
        if (failure.certainty == null) {
            throw new Conflict("reason", "The cause is open already.");
        }
        occupancy.lock(failure.machineId);
        failure.cause = null;
        failure.certainty = null;
        failure.causeAt = null;
        records.saveAndFlush(failure);
        rebuild.machine(failure.machineId, failure.seenAt);
        FailureView view = one(id);
        logbook.write(LogDraft.of(
                        LogKind.CAUSE_REOPENED,
                        failure.machineId,
                        "FAILURE",
                        id,
                        clock.instant(),
                        view.machineName() + ": the cause is open again.",
                        view,
                        actor)
                .superseding(logbook.latest("FAILURE", id, LogKind.CAUSE_NAMED), reason.strip()));
        return view;
    }

    /** Writes down what was said of the print, in place of what was said before; codes of facts of history. */
    public void tell(long id, Set<String> facts) {
        Actor actor = Actor.current();
        Failure failure = record(id);
        Set<String> known = facts == null ? Set.of() : facts;
        Findings findings = new Findings();
        known.stream()
                .filter(f -> odds.fact(f).isEmpty())
                .forEach(f -> findings.add("facts", "There is no fact of history " + f + "."));
        Refused.unless(findings);
        failure.facts.clear();
        failure.facts.addAll(known);
        records.saveAndFlush(failure);
        String words = known.isEmpty()
                ? "nothing special"
                : new TreeSet<>(known)
                        .stream().map(f -> odds.fact(f).orElseThrow().words()).collect(Collectors.joining("; "));
        logbook.write(LogDraft.of(
                LogKind.FACTS_TOLD,
                failure.machineId,
                "FAILURE",
                id,
                clock.instant(),
                fleet.machine(failure.machineId).name() + ", of the print: " + words + ".",
                Map.of("facts", known),
                actor));
    }

    @Transactional(readOnly = true)
    public Set<String> facts(long id) {
        return new TreeSet<>(jdbc.sql("select fact from failure_fact where failure_id = ?")
                .param(id)
                .query(String.class)
                .list());
    }

    /** A check that cannot be done here or now: another one is offered. {@code again} offers it again. */
    public void skip(long id, String check, boolean again) {
        Actor.current();
        Failure failure = record(id);
        if (knowledge.check(check == null ? "" : check).isEmpty()) {
            throw new Refused("check", "There is no check " + check + ".");
        }
        if (again ? failure.skipped.remove(check) : failure.skipped.add(check)) {
            records.saveAndFlush(failure);
        }
    }

    @Transactional(readOnly = true)
    public Set<String> skipped(long id) {
        return Set.copyOf(jdbc.sql("select check_code from failure_skip where failure_id = ?")
                .param(id)
                .query(String.class)
                .list());
    }

    /** How many parts the run held and how many of them were lost, so that only those are printed again. */
    public void count(long id, Integer printed, Integer lost) {
        Actor actor = Actor.current();
        Failure failure = record(id);
        Findings findings = new Findings();
        findings.when(
                printed == null || printed < 1 || printed > 10_000,
                "partsPrinted",
                "How many parts the run held: 1 to 10000.");
        findings.when(
                lost == null || lost < 0 || printed != null && lost > printed,
                "partsLost",
                "How many of them were lost: 0 to all of them.");
        Refused.unless(findings);
        failure.partsPrinted = printed;
        failure.partsLost = lost;
        records.saveAndFlush(failure);
        logbook.write(LogDraft.of(
                LogKind.FACTS_TOLD,
                failure.machineId,
                "FAILURE",
                id,
                clock.instant(),
                fleet.machine(failure.machineId).name() + ": " + lost + " of " + printed + " parts lost.",
                Map.of("partsPrinted", printed, "partsLost", lost),
                actor));
    }

    /** Takes a check back that was written down by mistake. */
    public void withdrawCheck(long id, long checkId) {
        Actor actor = Actor.current();
        Failure failure = record(id);
        FailureCheck check = checks.findById(checkId)
                .filter(c -> c.failureId == id && !c.withdrawn)
                .orElseThrow(() -> new NotThere("There is no such check."));
        occupancy.lock(failure.machineId);
        check.withdrawn = true;
        checks.saveAndFlush(check);
        rebuild.machine(failure.machineId, failure.seenAt);
        logbook.write(LogDraft.of(
                        LogKind.CHECK_WITHDRAWN,
                        failure.machineId,
                        "CHECK",
                        checkId,
                        clock.instant(),
                        fleet.machine(failure.machineId).name() + ", taken back: "
                                + knowledge
                                        .check(check.checkCode)
                                        .orElseThrow()
                                        .name()
                                        .toLowerCase(Locale.ROOT) + ".",
                        Map.of("check", check.checkCode),
                        actor)
                .superseding(logbook.latest("CHECK", checkId, LogKind.CHECK_DONE), "taken back"));
    }

    /** A service that answered checks was taken back. */
    public void withdrawChecksOf(long serviceId) {
        checks.findByServiceIdAndWithdrawnFalse(serviceId).forEach(c -> withdrawCheck(c.failureId, c.id));
    }

    /** Records a check: the causes it found (none found counts against all it could have found), or MACHINE or JOB. */
    public CheckView check(long id, String code, List<String> found) {
        return check(id, code, found, null);
    }

    /** The same, answered by a service: taken back with it. */
    public CheckView check(long id, String code, List<String> found, Long serviceId) {
        Actor actor = Actor.current();
        Failure failure = record(id);
        Check check = knowledge
                .check(code == null ? "" : code)
                .orElseThrow(() -> new Refused("check", "There is no check " + code + "."));
        List<String> answers = found == null ? List.of() : found;
        Findings findings = new Findings();
        for (String answer : answers) {
            boolean fits = check.answers() == Check.Answer.SIDE
                    ? Set.of("MACHINE", "JOB").contains(answer)
                    : knowledge.cause(answer).isPresent();
            findings.when(!fits, "found", check.name() + " cannot answer " + answer + ".");
        }
        Refused.unless(findings);
        occupancy.lock(failure.machineId);
        FailureCheck done = new FailureCheck();
        done.failureId = id;
        done.checkCode = check.code();
        done.found = String.join(",", new TreeSet<>(answers));
        done.at = clock.instant();
        done.serviceId = serviceId;
        checks.saveAndFlush(done);
        rebuild.machine(failure.machineId, failure.seenAt);
        CheckView view = view(done);
        String result = answers.isEmpty()
                ? "nothing found"
                : answers.stream()
                        .map(this::causeName)
                        .collect(Collectors.joining(", "))
                        .toLowerCase(Locale.ROOT);
        logbook.write(LogDraft.of(
                LogKind.CHECK_DONE,
                failure.machineId,
                "CHECK",
                done.id,
                done.at,
                fleet.machine(failure.machineId).name() + ", " + check.name().toLowerCase(Locale.ROOT) + ": " + result
                        + ".",
                view,
                actor));
        return view;
    }

    public PhotoView addPhoto(long id, byte[] bytes, String caption) {
        Actor actor = Actor.current();
        Failure failure = record(id);
        if (photos.countByFailureId(id) >= 40) {
            throw new Conflict("file", "There are forty photos with this failure already.");
        }
        PhotoStore.Kept kept = store.keep(bytes);
        Photo photo = new Photo();
        photo.failureId = id;
        photo.hash = kept.hash();
        photo.mediaType = kept.mediaType();
        photo.width = kept.width();
        photo.height = kept.height();
        photo.caption = caption == null || caption.isBlank()
                ? null
                : caption.strip().substring(0, Math.min(200, caption.strip().length()));
        photo.takenAt = clock.instant();
        photos.saveAndFlush(photo);
        logbook.write(LogDraft.of(
                        LogKind.PHOTO_ADDED,
                        failure.machineId,
                        "PHOTO",
                        photo.id,
                        photo.takenAt,
                        fleet.machine(failure.machineId).name() + ": photo of failure " + id + ".",
                        Map.of("failure", id, "hash", kept.hash()),
                        actor)
                .noting(photo.caption));
        return new PhotoView(photo.id, photo.width, photo.height, photo.caption);
    }

    @Transactional(readOnly = true)
    public List<PhotoView> photos(long id) {
        return photos.findByFailureIdOrderById(id).stream()
                .map(p -> new PhotoView(p.id, p.width, p.height, p.caption))
                .toList();
    }

    /** Bytes and media type of a photo, or of its small copy. */
    @Transactional(readOnly = true)
    public Map.Entry<String, byte[]> picture(long photoId, boolean small) {
        Photo photo = photos.findById(photoId).orElseThrow(() -> new NotThere("There is no such photo."));
        return small
                ? Map.entry("image/jpeg", store.read(photo.hash, true))
                : Map.entry(photo.mediaType, store.read(photo.hash, false));
    }

    @Transactional(readOnly = true)
    public List<CheckView> checks(long id) {
        return checks.findByFailureIdAndWithdrawnFalseOrderByAt(id).stream()
                .map(Failures::view)
                .toList();
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

    private Failure record(long id) {
        return records.findById(id).orElseThrow(() -> new NotThere("There is no failure " + id + "."));
    }

    private String causeName(String code) {
        return knowledge.cause(code).map(c -> c.name()).orElse(code);
    }

    private static CheckView view(FailureCheck check) {
        return new CheckView(check.id, check.checkCode, codes(check.found), check.at);
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

    private static List<String> codes(String joined) {
        return joined == null || joined.isEmpty() ? List.of() : List.of(joined.split(","));
    }
}
