package keel.app.guides;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.air.AirParts;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.bench.ServiceView;
import keel.app.film.Vats;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.standing.Occupancy;
import keel.app.stores.Stock;
import keel.core.Findings;
import keel.core.bolts.BoltFrame;
import keel.core.bolts.School;
import keel.core.bolts.Tightening;
import keel.core.bolts.VatFrame;
import keel.core.guide.Procedure;
import keel.core.guide.Procedures;
import keel.core.guide.Step;
import keel.core.standing.FieldReading;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineTraits;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Leads through procedures: keeps how far each has come, and at the end writes the services and books what was used.
 */
@Service
@Transactional
public class Guides {

    private static final int MOST_AT_ONCE = 12;

    private final GuideSessions sessions;
    private final GuideNotes notes;
    private final Procedures procedures = Procedures.shipped();
    private final Fleet fleet;
    private final Vats vats;
    private final AirParts airParts;
    private final GuideRecords records;
    private final Stock stock;
    private final Occupancy occupancy;
    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final ObjectMapper json;
    private final Clock clock;

    Guides(
            GuideSessions sessions,
            GuideNotes notes,
            Fleet fleet,
            Vats vats,
            AirParts airParts,
            GuideRecords records,
            Stock stock,
            Occupancy occupancy,
            Logbook logbook,
            JdbcClient jdbc,
            ObjectMapper json,
            Clock clock) {
        this.sessions = sessions;
        this.notes = notes;
        this.fleet = fleet;
        this.vats = vats;
        this.airParts = airParts;
        this.records = records;
        this.stock = stock;
        this.occupancy = occupancy;
        this.logbook = logbook;
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    /** The procedure that ends with this service on this kind of machine, or empty. */
    public Optional<Procedure> leadingTo(ServiceKind kind, MachineRef machine) {
        return procedures.leadingTo(kind, machine.traits());
    }

    /** The procedures for a machine. */
    public List<Procedure> forMachine(MachineRef machine) {
        return procedures.atMachine(machine.traits());
    }

    /** @throws NotThere if there is no such procedure for this machine */
    public Procedure procedure(String code, MachineRef machine) {
        return procedures
                .called(code)
                .filter(p -> p.airPart() == null && p.when().holds(machine.traits(), Map.of()))
                .orElseThrow(
                        () -> new NotThere("There is no procedure called " + code + " for " + machine.name() + "."));
    }

    /** @throws NotThere if there is no such procedure */
    public Procedure called(String code) {
        return procedures.called(code).orElseThrow(() -> new NotThere("There is no procedure called " + code + "."));
    }

    /** The session of this procedure that is open on the machine, if there is one. */
    @Transactional(readOnly = true)
    public OptionalLong openOn(MachineRef machine, String procedure) {
        return session(machine, procedure).map(s -> OptionalLong.of(s.id)).orElse(OptionalLong.empty());
    }

    /** How a part in the path of the air is cleaned or changed. */
    public Procedure forPart(AirParts.AirPart part) {
        return procedures.of(part.kind());
    }

    /** The session that is open for a part in the path of the air, if there is one. */
    @Transactional(readOnly = true)
    public OptionalLong openFor(AirParts.AirPart part) {
        return sessions.findFirstByAirPartIdAndFinishedAtIsNullAndGivenUpAtIsNull(part.id())
                .map(s -> OptionalLong.of(s.id))
                .orElse(OptionalLong.empty());
    }

    /** Begins with a part in the path of the air, or goes on with what is open. Answers the session. */
    public long beginFor(long airPart) {
        Actor actor = Actor.current();
        AirParts.AirPart part = airParts.locked(airPart);
        OptionalLong open = openFor(part);
        if (open.isPresent()) {
            return open.getAsLong();
        }
        GuideSession session = session(
                procedures.of(part.kind()), procedures.of(part.kind()).steps().get(0));
        session.airPartId = part.id();
        return begun(session, actor).id;
    }

    /** Begins a procedure, or goes on with the one that is open. Answers the session. */
    public long begin(String machineCode, String procedureCode) {
        Actor actor = Actor.current();
        MachineRef machine = fleet.machineOfEntry(machineCode);
        Procedure procedure = procedure(procedureCode, machine);
        occupancy.lock(machine.id());
        Optional<GuideSession> open = session(machine, procedureCode);
        if (open.isPresent()) {
            return open.get().id;
        }
        requireStill(machine, procedure);
        GuideSession session =
                session(procedure, procedure.path(machine.traits(), Map.of()).get(0));
        session.machineId = machine.id();
        return begun(session, actor).id;
    }

    private static GuideSession session(Procedure procedure, Step first) {
        GuideSession session = new GuideSession();
        session.procedureCode = procedure.code();
        session.step = first.code();
        session.answers = "{}";
        return session;
    }

    private GuideSession begun(GuideSession session, Actor actor) {
        session.startedAt = clock.instant();
        session.startedBy = actor.personId();
        touch(session, actor);
        return sessions.saveAndFlush(session);
    }

    /**
     * Begins a procedure with vats, several in one sitting. Vats may be on the shelf or on machines that stand still.
     *
     * @param vatCodes in the order in which they are gone through
     * @throws Conflict if one of them prints, is in such a sitting already, or the procedure is not for it
     */
    public long beginSitting(String procedureCode, List<String> vatCodes) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        findings.when(vatCodes.isEmpty(), "vats", "Choose at least one vat.");
        findings.when(
                vatCodes.size() > MOST_AT_ONCE,
                "vats",
                "More than " + MOST_AT_ONCE + " at once is no sitting but a week.");
        findings.when(Set.copyOf(vatCodes).size() < vatCodes.size(), "vats", "A vat is there twice.");
        Refused.unless(findings);
        Procedure procedure = called(procedureCode);
        if (!procedure.service().map(ServiceKind::onSpareVat).orElse(false)) {
            throw new Conflict("vats", procedure.name() + " is done at a machine, one at a time.");
        }
        GuideSession session = begun(session(procedure, procedure.steps().get(0)), actor);
        for (int place = 0; place < vatCodes.size(); place++) {
            join(session, place, vats.one(vatCodes.get(place)), procedure);
        }
        return session.id;
    }

    private void join(GuideSession session, int place, Vats.Vat vat, Procedure procedure) {
        Course.Subject subject = subject(vat, "", 0, "{}");
        if (!procedure.when().holds(subject.traits, Map.of())) {
            throw new Conflict("vats", procedure.name() + " is not for " + subject.name + ".");
        }
        if (subject.machine != null) {
            occupancy.lock(subject.machine.id());
            requireStill(subject.machine, procedure);
        }
        boolean begun = jdbc.sql(
                                """
                select count(*) from guide_vat g join guide_session s on s.id = g.session_id
                where g.vat_id = ? and s.procedure_code = ? and s.finished_at is null and s.given_up_at is null""")
                        .params(vat.id(), procedure.code())
                        .query(Integer.class)
                        .single()
                > 0;
        if (begun) {
            throw new Conflict(
                    "vats",
                    "Vat " + vat.code()
                            + " is in a sitting that was begun already. Go on there, under Step by step, or give it "
                            + "up first.");
        }
        // where nothing was in it, nobody has to say why it ended
        jdbc.sql("insert into guide_vat (session_id, place, vat_id, step, bolts_done, answers) values (?, ?, "
                        + "?, ?, 0, ?)")
                .params(
                        session.id,
                        place,
                        vat.id(),
                        procedure.path(subject.traits, Map.of()).get(0).code(),
                        vat.film() == null ? "{\"endReason\":\"OTHER\"}" : "{}")
                .update();
    }

    private void requireStill(MachineRef machine, Procedure procedure) {
        occupancy
                .runAt(machine.id(), clock.instant())
                .filter(r -> r.endedAt() == null
                        && procedure.asksForStandstill()
                        && !(procedure.ending() == Procedure.Ending.POUR && machine.selfFilling()))
                .ifPresent(run -> {
                    throw new Conflict(
                            "machine", machine.name() + " is printing " + run.job() + ". Finish the run first.");
                });
    }

    @Transactional(readOnly = true)
    public SessionView one(long id) {
        return view(record(id));
    }

    /**
     * A step is done; go on with the next.
     *
     * @param given what was answered at it
     * @throws Refused if an answer is missing or cannot be right
     * @throws MovedOn if somebody else went on meanwhile
     */
    public void done(long id, int version, Map<String, Object> given) {
        GuideSession session = open(id, version);
        Course course = course(session);
        Step step = course.step().orElseThrow(() -> new Conflict("Every step is done."));
        if (step.stops()) {
            throw new Conflict(
                    "It does not end here: put it right, go back and answer anew. Or give it up; the logbook then "
                            + "says where.");
        }
        course.done(read(step, given));
        records.check(course, step);
        keep(session, course);
    }

    /** Back to the step before. */
    public void back(long id, int version) {
        GuideSession session = open(id, version);
        Course course = course(session);
        course.back();
        keep(session, course);
    }

    /** The step does not work out: on by its other way. */
    public void detour(long id, int version) {
        GuideSession session = open(id, version);
        Course course = course(session);
        course.detour(
                course.step().map(Step::detour).orElseThrow(() -> new Conflict("There is no other way at this step.")));
        keep(session, course);
    }

    /** So many more bolts are turned; negative takes turns back. */
    public void turn(long id, int version, int bolts) {
        GuideSession session = open(id, version);
        Course course = course(session);
        int all = view(session).boltsInAll();
        course.current().boltsDone = Math.max(0, Math.min(all, course.current().boltsDone + bolts));
        keep(session, course);
    }

    public void note(long id, String text) {
        Actor actor = Actor.current();
        GuideSession session = record(id);
        Findings findings = new Findings();
        findings.text(text, 1000, "note", "The note");
        Refused.unless(findings);
        GuideNote note = new GuideNote();
        note.sessionId = id;
        note.step = session.step;
        note.text = text.strip();
        note.at = clock.instant();
        note.personId = actor.personId();
        notes.saveAndFlush(note);
    }

    /** Ends it without writing anything down but that it was begun. */
    public void giveUp(long id, int version) {
        GuideSession session = open(id, version);
        Actor actor = Actor.current();
        session.givenUpAt = clock.instant();
        touch(session, actor);
        SessionView view = view(session);
        logbook.write(LogDraft.of(
                        LogKind.GUIDE_GIVEN_UP,
                        session.machineId,
                        "GUIDE",
                        id,
                        session.givenUpAt,
                        view.subject() + ": begun and given up: "
                                + view.procedure().name().toLowerCase(Locale.ROOT)
                                + (view.step() == null
                                        ? "."
                                        : ", at \"" + view.step().title() + "\"."),
                        Map.of("guide", id),
                        actor)
                .noting(GuideRecords.noted(view, view.answers(), null)));
    }

    /**
     * Writes the services of a session that is through, and books what was used.
     *
     * @param used item code to quantity
     * @return the services, the first the one that the procedure is for
     */
    public List<ServiceView> finish(long id, int version, Map<String, Double> used, String note) {
        Actor actor = Actor.current();
        GuideSession session = open(id, version);
        Course course = course(session);
        if (course.step().isPresent()) {
            throw new Conflict("There are steps left.");
        }
        SessionView view = view(session);
        Findings findings = new Findings();
        used.forEach((item, quantity) -> findings.range(quantity, 0, 10_000, "used", "What was used of " + item, ""));
        Refused.unless(findings);
        List<ServiceView> written = records.write(view, course, session.airPartId, note);
        used.forEach((item, quantity) -> {
            if (quantity > 0) {
                stock.take(
                        item,
                        quantity,
                        view.procedure().name() + ", "
                                + String.join(
                                        ", ",
                                        view.others().stream()
                                                .map(SessionView.Other::name)
                                                .toList()),
                        clock.instant(),
                        written.isEmpty() ? null : Long.valueOf(written.get(0).id()),
                        actor);
            }
        });
        session.finishedAt = clock.instant();
        touch(session, actor);
        return written;
    }

    /** Everything that is begun and not finished, latest first. */
    @Transactional(readOnly = true)
    public List<OpenGuide> open() {
        return jdbc.sql(
                        """
                select s.id, m.code, coalesce(m.name, a.name, (select 'Vats ' || listagg(v.code, ', ') within group
                (order by g.place) from guide_vat g join component v on v.id = g.vat_id
                  where g.session_id = s.id)), s.procedure_code, s.step, s.touched_at, p.name
                  from guide_session s left join machine m on m.id = s.machine_id left join air_part a
                  on a.id = s.air_part_id
                join person p on p.id = s.touched_by where s.finished_at is null and s.given_up_at is null
                order by s.touched_at desc""")
                .query(this::openGuide)
                .list();
    }

    /** How long the last few of this kind took, as a middle value; empty if none was gone through yet. */
    @Transactional(readOnly = true)
    public Optional<Duration> usually(String procedure) {
        List<Long> minutes = jdbc
                .sql(
                        """
                select datediff(minute, started_at, finished_at) from guide_session where procedure_code = ?
                and finished_at is not null and (machine_id is not null or air_part_id is not null)
                order by finished_at desc fetch first 9 rows only""")
                .param(procedure)
                .query(Long.class)
                .list()
                .stream()
                .sorted()
                .toList();
        return minutes.isEmpty() ? Optional.empty() : Optional.of(Duration.ofMinutes(minutes.get(minutes.size() / 2)));
    }

    /** How long each vat took in the last few sittings of this kind; empty if there was none. */
    @Transactional(readOnly = true)
    public Optional<Double> minutesAVat(String procedure) {
        List<Double> minutes = jdbc
                .sql(
                        """
                select cast(datediff(minute, s.started_at, s.finished_at) as double precision) / count(g.place)
                from guide_session s join guide_vat g on g.session_id = s.id
                where s.procedure_code = ? and s.finished_at is not null
                group by s.id, s.started_at, s.finished_at having count(g.place) > 1
                order by s.finished_at desc fetch first 9 rows only""")
                .param(procedure)
                .query(Double.class)
                .list()
                .stream()
                .sorted()
                .toList();
        return minutes.isEmpty() ? Optional.empty() : Optional.of(minutes.get(minutes.size() / 2));
    }

    private Optional<GuideSession> session(MachineRef machine, String procedure) {
        return sessions.findFirstByMachineIdAndProcedureCodeAndFinishedAtIsNullAndGivenUpAtIsNull(
                machine.id(), procedure);
    }

    private GuideSession open(long id, int version) {
        GuideSession session = record(id);
        if (!session.open()) {
            throw new Conflict("This has been " + (session.finishedAt != null ? "finished" : "given up") + " already.");
        }
        if (session.version != version) {
            throw new MovedOn(view(session).touchedBy());
        }
        return session;
    }

    private GuideSession record(long id) {
        return sessions.findById(id).orElseThrow(() -> new NotThere("There is no such guide."));
    }

    private Course course(GuideSession session) {
        Procedure procedure = procedures.called(session.procedureCode).orElseThrow();
        if (session.machineId != null) {
            MachineRef machine = fleet.machine(session.machineId);
            return new Course(
                    procedure,
                    List.of(Course.Subject.machine(
                            machine,
                            fleet.frame(machine.id()),
                            session.step,
                            session.boltsDone,
                            answers(session.answers))));
        }
        if (session.airPartId != null) {
            return new Course(
                    procedure,
                    List.of(Course.Subject.airPart(
                            airParts.name(session.airPartId), session.step, answers(session.answers))));
        }
        record VatRow(String vat, String step, int bolts, String answers) {}
        List<VatRow> rows = jdbc.sql(
                        "select v.code, g.step, g.bolts_done, g.answers from guide_vat g join component v on v.id = "
                                + "g.vat_id where g.session_id = ? order by g.place")
                .param(session.id)
                .query((row, i) -> new VatRow(row.getString(1), row.getString(2), row.getInt(3), row.getString(4)))
                .list();
        return new Course(
                procedure,
                rows.stream()
                        .map(r -> subject(vats.one(r.vat()), r.step(), r.bolts(), r.answers()))
                        .toList());
    }

    private Course.Subject subject(Vats.Vat vat, String step, int bolts, String answers) {
        MachineRef machine = vat.machine() == null ? null : fleet.machine(vat.machine());
        MachineTraits traits = machine != null
                ? machine.traits()
                : new MachineTraits(vat.model().kind(), false, false, false, LevelJoint.BALL);
        return Course.Subject.vat(
                vat.id(), vat.code(), machine, traits, vat.model().frame(), step, bolts, answers(answers));
    }

    private void keep(GuideSession session, Course course) {
        Course.Subject current = course.current();
        session.step = current.step;
        session.boltsDone = current.boltsDone;
        if (session.machineId != null || session.airPartId != null) {
            session.answers = text(current.answers);
        } else {
            course.subjects().forEach(s -> jdbc.sql(
                            "update guide_vat set step = ?, bolts_done = ?, answers = ? where session_id = ? and "
                                    + "vat_id = ?")
                    .params(s.step, s.boltsDone, text(s.answers), session.id, s.vatId)
                    .update());
        }
        touch(session, Actor.current());
        sessions.saveAndFlush(session);
    }

    private void touch(GuideSession session, Actor actor) {
        session.touchedAt = clock.instant();
        session.touchedBy = actor.personId();
    }

    /** What was answered, as text; a question left open takes an earlier answer away. */
    private static Map<String, String> read(Step step, Map<String, Object> given) {
        Findings findings = new Findings();
        Map<String, Object> read = FieldReading.read(step.asks(), given, findings);
        Refused.unless(findings);
        Map<String, String> answers = new LinkedHashMap<>();
        for (ServiceField ask : step.asks()) {
            Object value = read.get(ask.name());
            answers.put(
                    ask.name(),
                    value == null
                            ? ""
                            : value instanceof List<?> list
                                    ? list.stream()
                                            .map(Object::toString)
                                            .collect(Collectors.joining(
                                                    ask.type() == ServiceField.Type.NUMBERS ? " " : ", "))
                                    : value.toString());
        }
        return answers;
    }

    private SessionView view(GuideSession session) {
        Course course = course(session);
        Course.Subject current = course.current();
        Procedure procedure = course.procedure();
        List<Step> path = procedure.path(current.traits, current.answers);
        Step step = procedure.step(current.step).orElse(null);
        List<SessionView.Note> noted = notes.findBySessionIdOrderById(session.id).stream()
                .map(n -> new SessionView.Note(n.step, n.text, name(n.personId)))
                .toList();
        SessionView.State state = session.finishedAt != null
                ? SessionView.State.FINISHED
                : session.givenUpAt != null ? SessionView.State.GIVEN_UP : SessionView.State.OPEN;
        List<SessionView.Other> others = course.subjects().stream()
                .map(s -> new SessionView.Other(
                        s.name,
                        s.path,
                        s.machine == null ? null : s.machine.code(),
                        procedure.step(s.step).map(Step::title).orElse("done"),
                        s == current,
                        s.answers))
                .toList();
        return new SessionView(
                session.id,
                procedure,
                current.name,
                current.path,
                current.machine == null ? null : current.machine.code(),
                current.vat,
                others,
                step,
                step == null ? path.size() : path.indexOf(step) + 1,
                path.size(),
                course.begun(),
                current.answers,
                tightening(step, current.frame, current.answers),
                current.boltsDone,
                noted,
                session.startedAt,
                name(session.startedBy),
                session.touchedAt,
                name(session.touchedBy),
                state,
                session.version);
    }

    private static Tightening tightening(Step step, VatFrame of, Map<String, String> answers) {
        if (step == null || step.turns() == Step.Turns.NONE) {
            return null;
        }
        BoltFrame frame = step.turns() == Step.Turns.CLAMP ? of.clamp() : of.bolts();
        return Tightening.of(frame, "CIRCULAR".equals(answers.get("boltSchool")) ? School.CIRCULAR : School.STAR);
    }

    private String name(Long person) {
        return jdbc.sql("select name from person where id = ?")
                .param(person)
                .query(String.class)
                .single();
    }

    private OpenGuide openGuide(ResultSet row, int number) throws SQLException {
        Procedure procedure = procedures.called(row.getString(4)).orElseThrow();
        return new OpenGuide(
                row.getLong(1),
                row.getString(2),
                row.getString(3),
                procedure.name(),
                procedure.step(row.getString(5)).map(Step::title).orElse("Write it down"),
                row.getObject(6, OffsetDateTime.class).toInstant(),
                row.getString(7));
    }

    private Map<String, String> answers(String text) {
        try {
            return json.readValue(text, new TypeReference<LinkedHashMap<String, String>>() {});
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private String text(Map<String, String> answers) {
        try {
            return json.writeValueAsString(answers);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
