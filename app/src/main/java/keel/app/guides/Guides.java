package keel.app.guides;

import java.time.Clock;
import java.time.Duration;
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
import keel.core.guide.LearnedMinutes;
import keel.core.guide.Procedure;
import keel.core.guide.Step;
import keel.core.standing.FieldReading;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;
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
    private final Guidebook guidebook;
    private final Courses courses;
    private final Fleet fleet;
    private final Vats vats;
    private final AirParts airParts;
    private final GuideRecords records;
    private final Stock stock;
    private final Occupancy occupancy;
    private final Logbook logbook;
    private final GuideVats sittings;
    private final Meanwhile meanwhile;
    private final Clock clock;

    Guides(
            GuideSessions sessions,
            GuideNotes notes,
            Guidebook guidebook,
            Courses courses,
            Fleet fleet,
            Vats vats,
            AirParts airParts,
            GuideRecords records,
            Stock stock,
            Occupancy occupancy,
            Logbook logbook,
            GuideVats sittings,
            Meanwhile meanwhile,
            Clock clock) {
        this.sessions = sessions;
        this.notes = notes;
        this.guidebook = guidebook;
        this.courses = courses;
        this.fleet = fleet;
        this.vats = vats;
        this.airParts = airParts;
        this.records = records;
        this.stock = stock;
        this.occupancy = occupancy;
        this.logbook = logbook;
        this.sittings = sittings;
        this.meanwhile = meanwhile;
        this.clock = clock;
    }

    /** The session of this procedure that is open on the machine, if there is one. */
    @Transactional(readOnly = true)
    public OptionalLong openOn(MachineRef machine, String procedure) {
        return session(machine, procedure).map(s -> OptionalLong.of(s.id)).orElse(OptionalLong.empty());
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
        Procedure procedure = guidebook.forPart(part);
        GuideSession session = session(procedure, procedure.steps().get(0));
        session.airPartId = part.id();
        return begun(session, actor).id;
    }

    /** Begins a procedure, or goes on with the one that is open. Answers the session. */
    public long begin(String machineCode, String procedureCode) {
        Actor actor = Actor.current();
        MachineRef machine = fleet.machineOfEntry(machineCode);
        Procedure procedure = guidebook.procedure(procedureCode, machine);
        occupancy.lock(machine.id());
        Optional<GuideSession> open = session(machine, procedureCode);
        if (open.isPresent()) {
            return open.get().id;
        }
        requireStill(machine, procedure);
        GuideSession session =
                session(procedure, procedure.path(machine.traits(), Map.of()).get(0));
        session.machineId = machine.id();
        session.vatBegunId = meanwhile.vatOf(procedure, machine.id());
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
        return sessions.save(session);
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
        Procedure procedure = guidebook.called(procedureCode);
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
        Course.Subject subject = courses.subject(vat, "", 0, "{}");
        if (!procedure.when().holds(subject.traits, Map.of())) {
            throw new Conflict("vats", procedure.name() + " is not for " + subject.name + ".");
        }
        if (subject.machine != null) {
            occupancy.lock(subject.machine.id());
            requireStill(subject.machine, procedure);
        }
        if (sittings.open(vat.id(), procedure.code()) > 0) {
            throw new Conflict(
                    "vats",
                    "Vat " + vat.code()
                            + " is in a sitting that was begun already. Go on there, under Step by step, or give it "
                            + "up first.");
        }
        GuideVat joined = new GuideVat();
        joined.sessionId = session.id;
        joined.place = place;
        joined.vatId = vat.id();
        joined.step = procedure.path(subject.traits, Map.of()).get(0).code();
        // where nothing was in it, nobody has to say why it ended
        joined.answers = vat.film() == null ? "{\"endReason\":\"OTHER\"}" : "{}";
        sittings.save(joined);
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
        return courses.view(record(id));
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
        meanwhile.require(session);
        Course course = courses.of(session);
        Step step = course.step().orElseThrow(() -> new Conflict("Every step is done."));
        if (step.stops()) {
            throw new Conflict(
                    "It does not end here: put it right, go back and answer anew. Or give it up; the logbook then "
                            + "says where.");
        }
        Map<String, String> answers = read(step, given);
        course.done(answers);
        records.check(course, step, answers);
        keep(session, course);
    }

    /** Back to the step before. */
    public void back(long id, int version) {
        GuideSession session = open(id, version);
        Course course = courses.of(session);
        course.back();
        keep(session, course);
    }

    /** Put down for a while: time does not run until somebody goes on. */
    public void pause(long id, int version) {
        GuideSession session = open(id, version);
        touch(session, Actor.current());
        session.pausedAt = clock.instant();
    }

    /** On where it was paused. */
    public void goOn(long id, int version) {
        touch(open(id, version), Actor.current());
    }

    /** Why nothing goes on at a guide; empty where nothing stands in the way. */
    @Transactional(readOnly = true)
    public Optional<Meanwhile.Stands> standsInTheWay(long id) {
        return meanwhile.of(record(id));
    }

    /** The vat that is on now is the one that lies before whoever is at it: on with that. */
    public void withThisVat(long id, int version) {
        GuideSession session = open(id, version);
        if (session.machineId == null) {
            return;
        }
        touch(session, Actor.current());
        session.vatBegunId = meanwhile.vatOf(guidebook.called(session.procedureCode), session.machineId);
    }

    /** The step does not work out: on by its other way. */
    public void detour(long id, int version) {
        GuideSession session = open(id, version);
        Course course = courses.of(session);
        course.detour(
                course.step().map(Step::detour).orElseThrow(() -> new Conflict("There is no other way at this step.")));
        keep(session, course);
    }

    /** So many more bolts are turned; negative takes turns back. */
    public void turn(long id, int version, int bolts) {
        GuideSession session = open(id, version);
        Course course = courses.of(session);
        int all = courses.view(session).boltsInAll();
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
        notes.save(note);
    }

    /** Ends it without writing anything down but that it was begun. */
    public void giveUp(long id, int version) {
        GuideSession session = open(id, version);
        Actor actor = Actor.current();
        session.givenUpAt = clock.instant();
        touch(session, actor);
        SessionView view = courses.view(session);
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
        Course course = courses.of(session);
        meanwhile.require(session);
        if (course.step().isPresent()) {
            throw new Conflict("There are steps left.");
        }
        SessionView view = courses.view(session);
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
        List<GuideSessions.Begun> begun = sessions.begun();
        List<Long> withVats = begun.stream()
                .map(GuideSessions.Begun::session)
                .filter(s -> s.subject() instanceof GuideSubject.WithVats)
                .map(s -> s.id)
                .toList();
        Map<Long, String> vatsOf = withVats.isEmpty() ? Map.of() : vatsOf(withVats);
        return begun.stream().map(b -> openGuide(b, vatsOf)).toList();
    }

    private Map<Long, String> vatsOf(List<Long> sessions) {
        return sittings.of(sessions).stream()
                .collect(Collectors.groupingBy(
                        v -> v.place().sessionId,
                        Collectors.mapping(GuideVats.InSitting::vat, Collectors.joining(", ", "Vats ", ""))));
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
            throw new MovedOn(courses.view(session).touchedBy());
        }
        return session;
    }

    private GuideSession record(long id) {
        return sessions.findById(id).orElseThrow(() -> new NotThere("There is no such guide."));
    }

    private void keep(GuideSession session, Course course) {
        touch(session, Actor.current());
        courses.take(session, course);
        sessions.save(session);
    }

    /** What lies since it was touched last counts as work, as far as it was no pause. */
    private void touch(GuideSession session, Actor actor) {
        if (session.touchedAt != null && session.pausedAt == null) {
            double between =
                    Duration.between(session.touchedAt, clock.instant()).toMillis() / 1000.0;
            Integer timer = guidebook
                    .called(session.procedureCode)
                    .step(session.step)
                    .map(Step::seconds)
                    .orElse(null);
            session.workedSeconds =
                    (session.workedSeconds == null ? 0 : session.workedSeconds) + LearnedMinutes.work(between, timer);
        }
        session.pausedAt = null;
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

    private OpenGuide openGuide(GuideSessions.Begun begun, Map<Long, String> vatsOf) {
        GuideSession session = begun.session();
        Procedure procedure = guidebook.called(session.procedureCode);
        String subject = begun.machineName() != null
                ? begun.machineName()
                : begun.airPart() != null ? begun.airPart() : vatsOf.get(session.id);
        return new OpenGuide(
                session.id,
                begun.machine(),
                subject,
                procedure.name(),
                procedure.step(session.step).map(Step::title).orElse("Write it down"),
                session.touchedAt,
                begun.touchedBy());
    }
}
