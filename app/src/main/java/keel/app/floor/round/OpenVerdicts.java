package keel.app.floor.round;

import java.time.Instant;
import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** Failures of which nobody has said the cause. */
interface OpenVerdicts extends Repository<RoundMark, Long> {

    /** One of them; {@code room} the code of the machine's room. */
    record Unsaid(long failure, String machine, String name, String room, Instant at) {}

    @Query(
            """
            select f.id, m.code, m.name, m.roomCode, f.seenAt from FailureSeen f join MachineCard m
            on m.id = f.machineId where f.cause is null and f.seenAt >= ?1 and m.retiredAt is null
            order by f.seenAt desc""")
    List<Unsaid> since(Instant from);
}
