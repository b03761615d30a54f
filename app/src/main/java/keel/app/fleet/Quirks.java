package keel.app.fleet;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps quirks and comparisons, and says which quirks a machine has. */
@Service
@Transactional
public class Quirks {

    /** Facts of history that a quirk can stand for, with what a keeper would call it. */
    public static final Map<String, String> CODES = Map.of(
            "quirk-smoothing-axis",
            "It smooths edges on one axis only",
            "quirk-grey-rows",
            "It stumbles over long rows of grey");

    private static final int LONGEST = 400;
    private static final String OF_MACHINES =
            """
            select m.code, q.id, q.scope, q.holder, q.code, q.text, q.workaround, q.noted_at, p.name from quirk q
            join person p on p.id = q.person_id
            join machine m on m.retired_at is null join machine_model o on o.id = m.model_id
            where q.retired_at is null and (cast(:only as varchar) is null or m.code = :only) and (
              q.scope = 'MACHINE' and q.holder = m.code or q.scope = 'MODEL' and q.holder = o.code
              or q.scope = 'CONTROLLER' and lower(q.holder) = lower(m.controller)
              or q.scope = 'FIRMWARE' and locate('"version":"' || q.holder || '"', (select s.content from service s
                where s.machine_id = m.id and s.kind = 'FIRMWARE' and not s.withdrawn order by s.at desc
                fetch first row only)) > 0)
            order by q.id""";

    private final Fleet fleet;
    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final Clock clock;

    Quirks(Fleet fleet, Logbook logbook, JdbcClient jdbc, Clock clock) {
        this.fleet = fleet;
        this.logbook = logbook;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * Open quirks by machine code: its own, its model's, its controller's and its firmware's. All machines if
     * {@code only} is null.
     */
    @Transactional(readOnly = true)
    public Map<String, List<Quirk>> byMachine(String only) {
        Map<String, List<Quirk>> all = new HashMap<>();
        jdbc.sql(OF_MACHINES)
                .param("only", only)
                .query((row, i) -> all.computeIfAbsent(row.getString(1), code -> new ArrayList<>())
                        .add(new Quirk(
                                row.getLong(2),
                                Quirk.Scope.valueOf(row.getString(3)),
                                row.getString(4),
                                row.getString(5),
                                row.getString(6),
                                row.getString(7),
                                row.getObject(8, OffsetDateTime.class).toInstant(),
                                row.getString(9))))
                .list();
        return all;
    }

    @Transactional(readOnly = true)
    public List<Quirk> of(String machine) {
        return byMachine(machine).getOrDefault(machine, List.of());
    }

    /** Facts of history that a machine's quirks stand for. */
    @Transactional(readOnly = true)
    public Set<String> facts(String machine) {
        return of(machine).stream().map(Quirk::code).filter(Objects::nonNull).collect(Collectors.toSet());
    }

    /** All open ones, newest first. */
    @Transactional(readOnly = true)
    public List<Quirk> all() {
        return jdbc.sql(
                        """
                select q.id, q.scope, q.holder, q.code, q.text, q.workaround, q.noted_at, p.name from quirk q
                join person p on p.id = q.person_id
                where q.retired_at is null order by q.id desc""")
                .query((row, i) -> new Quirk(
                        row.getLong(1),
                        Quirk.Scope.valueOf(row.getString(2)),
                        row.getString(3),
                        row.getString(4),
                        row.getString(5),
                        row.getString(6),
                        row.getObject(7, OffsetDateTime.class).toInstant(),
                        row.getString(8)))
                .list();
    }

    /** @throws Refused if something is missing or the machine or model is not known */
    public long add(String scope, String holder, String code, String text, String workaround) {
        Actor keeper = Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        boolean known =
                Arrays.stream(Quirk.Scope.values()).anyMatch(s -> s.name().equals(scope));
        findings.when(!known, "scope", "Say what it belongs to: a machine, a model, a controller or a firmware.");
        findings.text(text, LONGEST, "text", "What is odd");
        findings.text(workaround, LONGEST, "workaround", "How to live with it");
        if (findings.text(holder, 80, "holder", "Which one") && known) {
            findings.when(
                    scope.equals("MACHINE") && !exists("machine", holder),
                    "holder",
                    "There is no machine " + holder + ".");
            findings.when(
                    scope.equals("MODEL") && !exists("machine_model", holder),
                    "holder",
                    "There is no model " + holder + ".");
        }
        findings.when(
                code != null && !code.isBlank() && !CODES.containsKey(code), "code", "There is no such kind of quirk.");
        Refused.unless(findings);
        KeyHolder key = new GeneratedKeyHolder();
        jdbc.sql("insert into quirk (scope, holder, code, text, workaround, noted_at, person_id) values (?, "
                        + "?, ?, ?, ?, ?, ?)")
                .params(
                        scope,
                        holder.strip(),
                        code == null || code.isBlank() ? null : code,
                        text.strip(),
                        workaround.strip(),
                        clock.instant().atOffset(ZoneOffset.UTC),
                        keeper.personId())
                .update(key, "id");
        long id = key.getKeyAs(Long.class);
        note(
                machineId(scope, holder),
                id,
                "Quirk of " + Quirk.Scope.valueOf(scope).words() + " " + holder.strip() + ": " + text.strip(),
                keeper);
        return id;
    }

    /** It is mended, or was none. */
    public void retire(long id, String why) {
        Actor keeper = Actor.require(Role.KEEPER);
        Quirk quirk = all().stream()
                .filter(q -> q.id() == id)
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no open quirk " + id + "."));
        jdbc.sql("update quirk set retired_at = ? where id = ?")
                .params(clock.instant().atOffset(ZoneOffset.UTC), id)
                .update();
        logbook.write(LogDraft.of(
                        LogKind.QUIRK_NOTED,
                        machineId(quirk.scope().name(), quirk.holder()),
                        "QUIRK",
                        id,
                        clock.instant(),
                        "No longer a quirk: " + quirk.text(),
                        Map.of(),
                        keeper)
                .noting(why));
    }

    /** Which controller a machine has, in the shop's own words; blank for not known. */
    public void controller(String machine, String name) {
        Actor keeper = Actor.require(Role.KEEPER);
        MachineRef ref = fleet.machineOfEntry(machine);
        Findings findings = new Findings();
        findings.when(
                name != null && name.length() > 60,
                "controller",
                "A controller's name may have 60 characters at most.");
        Refused.unless(findings);
        String kept = name == null || name.isBlank() ? null : name.strip();
        jdbc.sql("update machine set controller = ? where id = ?")
                .params(kept, ref.id())
                .update();
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                ref.id(),
                "SHOP",
                1,
                clock.instant(),
                ref.name() + " has the controller " + (kept == null ? "that nobody named" : kept) + ".",
                Map.of(),
                keeper));
    }

    /** Machine code to the name of its controller, where that is known. */
    @Transactional(readOnly = true)
    public Map<String, String> controllers() {
        Map<String, String> names = new HashMap<>();
        jdbc.sql("select code, controller from machine where controller is not null and retired_at is null")
                .query((row, i) -> names.put(row.getString(1), row.getString(2)))
                .list();
        return names;
    }

    /** One test piece on two machines: what each shows, and whether they differ. */
    public void compare(
            String piece, String first, String firstShows, String second, String secondShows, boolean differs) {
        Actor actor = Actor.current();
        MachineRef one = fleet.machineOfEntry(first);
        MachineRef two = fleet.machineOfEntry(second);
        Findings findings = new Findings();
        findings.text(piece, 120, "piece", "The test piece");
        findings.text(firstShows, LONGEST, "firstShows", "What the first shows");
        findings.text(secondShows, LONGEST, "secondShows", "What the second shows");
        findings.when(one.id() == two.id(), "second", "Choose two machines.");
        Refused.unless(findings);
        jdbc.sql(
                        """
                insert into comparison (piece, first_machine_id, first_shows, second_machine_id, second_shows,
                differs, at, person_id)
                values (?, ?, ?, ?, ?, ?, ?, ?)""")
                .params(
                        piece.strip(),
                        one.id(),
                        firstShows.strip(),
                        two.id(),
                        secondShows.strip(),
                        differs,
                        clock.instant().atOffset(ZoneOffset.UTC),
                        actor.personId())
                .update();
        String headline =
                piece.strip() + " on " + one.name() + " and " + two.name() + (differs ? ": they differ." : ": alike.");
        note(one.id(), 0, headline, actor);
        note(two.id(), 0, headline, actor);
    }

    @Transactional(readOnly = true)
    public List<Comparison> comparisons() {
        return jdbc.sql(
                        """
                select c.id, c.piece, a.name, c.first_shows, b.name, c.second_shows, c.differs, c.at, p.name
                from comparison c join machine a on a.id = c.first_machine_id
                join machine b on b.id = c.second_machine_id join person p on p.id = c.person_id
                order by c.at desc, c.id desc fetch first 50 rows only""")
                .query((row, i) -> new Comparison(
                        row.getLong(1),
                        row.getString(2),
                        row.getString(3),
                        row.getString(4),
                        row.getString(5),
                        row.getString(6),
                        row.getBoolean(7),
                        row.getObject(8, OffsetDateTime.class).toInstant(),
                        row.getString(9)))
                .list();
    }

    private boolean exists(String table, String code) {
        return jdbc.sql("select count(*) from " + table + " where code = ?")
                        .param(code.strip())
                        .query(Integer.class)
                        .single()
                > 0;
    }

    private Long machineId(String scope, String holder) {
        return scope.equals("MACHINE")
                ? Long.valueOf(fleet.machineOfEntry(holder.strip()).id())
                : null;
    }

    private void note(Long machine, long id, String headline, Actor by) {
        String kept = headline.length() > LONGEST ? headline.substring(0, LONGEST - 1) + "…" : headline;
        logbook.write(LogDraft.of(LogKind.QUIRK_NOTED, machine, "QUIRK", id, clock.instant(), kept, Map.of(), by));
    }
}
