package keel.app.floor.remind;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import keel.core.round.Reminding;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ReminderRecords extends JpaRepository<ReminderChoice, Long> {

    @Query(
            """
            select s.personId, s.chore, s.at from ReminderSent s
            where s.at >= ?1 and s.outcome <> keel.app.floor.remind.ReminderSent.Outcome.FAILED""")
    List<Reminding.Told> told(Instant since);

    /** A mail as it is shown. */
    record Line(String person, String what, Instant at, boolean passedOn, ReminderSent.Outcome outcome, String why) {}

    @Query(
            """
            select p.name, s.what, s.at, s.passedOn, s.outcome, s.why from ReminderSent s
            join PersonName p on p.id = s.personId order by s.at desc, s.id desc""")
    List<Line> lately(Limit most);

    /** To whom something could not be sent since then. */
    @Query(
            """
            select distinct s.personId from ReminderSent s
            where s.at >= ?1 and s.outcome = keel.app.floor.remind.ReminderSent.Outcome.FAILED""")
    Set<Long> failed(Instant since);
}
