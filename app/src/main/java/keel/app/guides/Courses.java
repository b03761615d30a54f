package keel.app.guides;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.air.AirParts;
import keel.app.film.Vats;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.core.bolts.BoltFrame;
import keel.core.bolts.School;
import keel.core.bolts.Tightening;
import keel.core.bolts.VatFrame;
import keel.core.guide.Procedure;
import keel.core.guide.Step;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineTraits;
import org.springframework.stereotype.Component;

/** How far each session has come: read from the records, written back, and put together for a page. */
@Component
class Courses {

    private final Guidebook guidebook;
    private final GuideNotes notes;
    private final Fleet fleet;
    private final Vats vats;
    private final AirParts airParts;
    private final GuideVats sittings;
    private final GuideSessions sessions;
    private final ObjectMapper json;

    Courses(
            Guidebook guidebook,
            GuideNotes notes,
            Fleet fleet,
            Vats vats,
            AirParts airParts,
            GuideVats sittings,
            GuideSessions sessions,
            ObjectMapper json) {
        this.guidebook = guidebook;
        this.notes = notes;
        this.fleet = fleet;
        this.vats = vats;
        this.airParts = airParts;
        this.sittings = sittings;
        this.sessions = sessions;
        this.json = json;
    }

    /** How far a session has come with each of its subjects. */
    Course of(GuideSession session) {
        Procedure procedure = guidebook.called(session.procedureCode);
        return new Course(procedure, session.subject().by(new Subjects(session)));
    }

    private final class Subjects implements GuideSubject.Each<List<Course.Subject>> {

        private final GuideSession session;

        Subjects(GuideSession session) {
            this.session = session;
        }

        @Override
        public List<Course.Subject> machine(long id) {
            return List.of(Course.Subject.machine(
                    fleet.machine(id), fleet.frame(id), session.step, session.boltsDone, answers(session.answers)));
        }

        @Override
        public List<Course.Subject> airPart(long id) {
            return List.of(Course.Subject.airPart(airParts.name(id), session.step, answers(session.answers)));
        }

        @Override
        public List<Course.Subject> vats() {
            return inSitting(session.id);
        }
    }

    private List<Course.Subject> inSitting(long session) {
        return sittings.of(session).stream()
                .map(s -> subject(vats.one(s.vat()), s.place().step, s.place().boltsDone, s.place().answers))
                .toList();
    }

    Course.Subject subject(Vats.Vat vat, String step, int bolts, String answers) {
        MachineRef machine = vat.machine() == null ? null : fleet.machine(vat.machine());
        MachineTraits traits = machine != null
                ? machine.traits()
                : new MachineTraits(vat.model().kind(), false, false, false, LevelJoint.BALL);
        return Course.Subject.vat(
                vat.id(), vat.code(), machine, traits, vat.model().frame(), step, bolts, answers(answers));
    }

    /** Takes over how far it has come; the session itself is still to be saved. */
    void take(GuideSession session, Course course) {
        Course.Subject current = course.current();
        session.step = current.step;
        session.boltsDone = current.boltsDone;
        if (session.subject() instanceof GuideSubject.WithVats) {
            Map<Long, Course.Subject> byVat =
                    course.subjects().stream().collect(Collectors.toMap(s -> s.vatId, Function.identity()));
            sittings.of(session.id).forEach(place -> keep(place.place(), byVat.get(place.place().vatId)));
        } else {
            session.answers = text(current.answers);
        }
    }

    private void keep(GuideVat place, Course.Subject subject) {
        place.step = subject.step;
        place.boltsDone = subject.boltsDone;
        place.answers = text(subject.answers);
    }

    /** A session as pages show it. */
    SessionView view(GuideSession session) {
        Course course = of(session);
        Course.Subject current = course.current();
        Procedure procedure = course.procedure();
        List<Step> path = procedure.path(current.traits, current.answers);
        Step step = course.step().orElse(null);
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
                        procedure
                                .step(s.step)
                                .map(x -> x.on(s.traits))
                                .map(Step::title)
                                .orElse("done"),
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
                session.pausedAt,
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
        return sessions.nameOf(person);
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
