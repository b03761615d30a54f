package keel.app.standing;

import java.time.Clock;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.Map;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.life.ChangeSchool;
import keel.core.standing.PartUse;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** By which school the shop changes each kind of part before it ends. */
@Service
@Transactional
public class ChangeSchools {

    private final JdbcClient jdbc;
    private final Logbook logbook;
    private final Clock clock;

    ChangeSchools(JdbcClient jdbc, Logbook logbook, Clock clock) {
        this.jdbc = jdbc;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** For every kind; by the records where nobody chose. */
    @Transactional(readOnly = true)
    public Map<PartUse.UsedPart, ChangeSchool> all() {
        Map<PartUse.UsedPart, ChangeSchool> schools = new EnumMap<>(PartUse.UsedPart.class);
        for (PartUse.UsedPart part : PartUse.UsedPart.values()) {
            schools.put(part, ChangeSchool.RECORDS);
        }
        jdbc.sql("select kind, school from change_school order by id")
                .query((row, i) ->
                        schools.put(PartUse.UsedPart.valueOf(row.getString(1)), ChangeSchool.valueOf(row.getString(2))))
                .list();
        return schools;
    }

    /** Keepers choose; the latest choice counts. */
    public void choose(PartUse.UsedPart kind, ChangeSchool school) {
        Actor actor = Actor.require(Role.KEEPER);
        jdbc.sql("insert into change_school (kind, school, made_at, person_id) values (?, ?, ?, ?)")
                .params(kind.name(), school.name(), clock.instant().atOffset(ZoneOffset.UTC), actor.personId())
                .update();
        logbook.write(LogDraft.of(
                LogKind.SCHOOL_CHOSEN,
                null,
                "SCHOOL",
                (long) kind.ordinal(),
                clock.instant(),
                kind.several() + " are changed " + school.means() + ".",
                Map.of("kind", kind, "school", school),
                actor));
    }
}
