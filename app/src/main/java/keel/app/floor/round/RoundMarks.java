package keel.app.floor.round;

import java.time.Instant;
import java.util.List;
import keel.core.round.ChoreKind;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface RoundMarks extends JpaRepository<RoundMark, Long> {

    /** A mark that holds, with who made it. */
    record Holds(long id, String chore, Said said, Instant at, Instant until, long personId, String person) {}

    @Query(
            """
            select k.id, k.chore, k.said, k.at, k.until, p.id, p.name from RoundMark k
            join PersonName p on p.id = k.personId where k.until > ?1 and k.takenBackAt is null order by k.at, k.id""")
    List<Holds> holding(Instant now);

    /** How many chores of a kind somebody said can wait. */
    record Waits(ChoreKind kind, long times) {}

    @Query(
            """
            select k.kind, count(k.id) from RoundMark k where k.said = keel.app.floor.round.Said.CAN_WAIT
            and k.at >= ?1 and k.takenBackAt is null group by k.kind""")
    List<Waits> canWait(Instant since);
}
