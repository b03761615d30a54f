package keel.app.starting;

import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.gate.GateItem;
import keel.core.standing.MachineKind;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Questions that the shop adds to the start gate itself, each for some kinds of machine and at a part. */
@Service
@Transactional
public class GateQuestions {

    /** What the code of such a question begins with. */
    static final String PREFIX = "own-";

    private static final int LONGEST = 160;
    private static final int MOST = 12;

    private final Logbook logbook;
    private final GateQuestionRecords records;
    private final Clock clock;

    GateQuestions(Logbook logbook, GateQuestionRecords records, Clock clock) {
        this.logbook = logbook;
        this.records = records;
        this.clock = clock;
    }

    /** One of them. */
    public record Question(long id, String text, GateItem.GatePart part, Set<MachineKind> kinds) {}

    /** Those that are asked, in the order in which they were added. */
    @Transactional(readOnly = true)
    public List<Question> all() {
        return records.findByRetiredAtIsNullOrderById().stream()
                .map(q -> new Question(
                        q.id,
                        q.text,
                        q.part,
                        Arrays.stream(q.kinds.split(","))
                                .map(MachineKind::valueOf)
                                .collect(Collectors.toUnmodifiableSet())))
                .toList();
    }

    /** As the gate of such a machine puts them. */
    @Transactional(readOnly = true)
    public List<GateItem> items(MachineKind kind) {
        return all().stream()
                .filter(q -> q.kinds().contains(kind))
                .map(q -> new GateItem(PREFIX + q.id(), q.part(), GateItem.State.ASK, q.text()))
                .toList();
    }

    public void add(String text, String part, Set<String> kinds) {
        Actor keeper = Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.text(text, LONGEST, "text", "The question");
        findings.when(
                Arrays.stream(GateItem.GatePart.values())
                        .noneMatch(p -> p.name().equals(part)),
                "part",
                "Choose where it is looked at.");
        List<String> known = Arrays.stream(MachineKind.values())
                .map(Enum::name)
                .filter(k -> kinds != null && kinds.contains(k))
                .toList();
        findings.when(known.isEmpty(), "kinds", "Choose at least one kind of machine.");
        findings.when(
                all().size() >= MOST,
                "text",
                "Twelve questions of your own are the most: a gate that asks more is clicked through.");
        Refused.unless(findings);
        GateQuestion question = new GateQuestion();
        question.text = text.strip();
        question.part = GateItem.GatePart.valueOf(part);
        question.kinds = String.join(",", known);
        question.madeAt = clock.instant();
        question.personId = keeper.personId();
        records.save(question);
        note("The start gate asks: " + text.strip(), keeper);
    }

    /** It is asked no longer. */
    public void retire(long id) {
        Actor keeper = Actor.require(Role.KEEPER);
        GateQuestion question =
                records.findByIdAndRetiredAtIsNull(id).orElseThrow(() -> new NotThere("There is no such question."));
        question.retiredAt = clock.instant();
        note("The start gate asks no longer: " + question.text, keeper);
    }

    private void note(String headline, Actor by) {
        logbook.write(LogDraft.of(LogKind.SET_UP, null, "SHOP", 1, clock.instant(), headline, Map.of(), by));
    }
}
