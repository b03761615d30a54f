package keel.app.starting;

import java.time.Clock;
import java.time.ZoneOffset;
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
import org.springframework.jdbc.core.simple.JdbcClient;
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
    private final JdbcClient jdbc;
    private final Clock clock;

    GateQuestions(Logbook logbook, JdbcClient jdbc, Clock clock) {
        this.logbook = logbook;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** One of them. */
    public record Question(long id, String text, GateItem.GatePart part, Set<MachineKind> kinds) {}

    /** Those that are asked, in the order in which they were added. */
    @Transactional(readOnly = true)
    public List<Question> all() {
        return jdbc.sql("select id, text, part, kinds from gate_question where retired_at is null order by id")
                .query((row, i) -> new Question(
                        row.getLong(1),
                        row.getString(2),
                        GateItem.GatePart.valueOf(row.getString(3)),
                        Arrays.stream(row.getString(4).split(","))
                                .map(MachineKind::valueOf)
                                .collect(Collectors.toUnmodifiableSet())))
                .list();
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
        jdbc.sql("insert into gate_question (text, part, kinds, made_at, person_id) values (?, ?, ?, ?, ?)")
                .params(
                        text.strip(),
                        part,
                        String.join(",", known),
                        clock.instant().atOffset(ZoneOffset.UTC),
                        keeper.personId())
                .update();
        note("The start gate asks: " + text.strip(), keeper);
    }

    /** It is asked no longer. */
    public void retire(long id) {
        Actor keeper = Actor.require(Role.KEEPER);
        Question question = all().stream()
                .filter(q -> q.id() == id)
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no such question."));
        jdbc.sql("update gate_question set retired_at = ? where id = ?")
                .params(clock.instant().atOffset(ZoneOffset.UTC), id)
                .update();
        note("The start gate asks no longer: " + question.text(), keeper);
    }

    private void note(String headline, Actor by) {
        logbook.write(LogDraft.of(LogKind.SET_UP, null, "SHOP", 1, clock.instant(), headline, Map.of(), by));
    }
}
