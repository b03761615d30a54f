package keel.app.guides;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.air.AirParts;
import keel.app.base.NotThere;
import keel.app.fleet.MachineRef;
import keel.core.guide.Procedure;
import keel.core.guide.Procedures;
import keel.core.standing.ServiceKind;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The procedures there are: which is for what, and how long each took here. */
@Service
@Transactional(readOnly = true)
public class Guidebook {

    private final Procedures procedures = Procedures.shipped();
    private final JdbcClient jdbc;

    Guidebook(JdbcClient jdbc) {
        this.jdbc = jdbc;
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

    /** How a part in the path of the air is cleaned or changed. */
    public Procedure forPart(AirParts.AirPart part) {
        return procedures.of(part.kind());
    }

    /** How long the last few of this kind took, as a middle value; empty if none was gone through yet. */
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
}
