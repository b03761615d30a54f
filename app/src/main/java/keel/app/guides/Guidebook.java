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
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The procedures there are: which is for what, and how long each took here. */
@Service
@Transactional(readOnly = true)
public class Guidebook {

    private static final Limit LAST = Limit.of(9);

    private final Procedures procedures = Procedures.shipped();
    private final GuideSessions sessions;

    Guidebook(GuideSessions sessions) {
        this.sessions = sessions;
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
        List<Double> minutes = sessions.took(procedure, LAST).stream()
                .map(Guidebook::minutes)
                .sorted()
                .toList();
        return middle(minutes).map(m -> Duration.ofMinutes(Math.round(m)));
    }

    /** How long each vat took in the last few sittings of this kind; empty if there was none. */
    public Optional<Double> minutesAVat(String procedure) {
        List<Double> minutes = sessions.sittings(procedure, LAST).stream()
                .map(t -> minutes(t) / t.vats())
                .sorted()
                .toList();
        return middle(minutes);
    }

    private static double minutes(GuideSessions.Took took) {
        return Duration.between(took.startedAt(), took.finishedAt()).toMinutes();
    }

    private static Optional<Double> middle(List<Double> sorted) {
        return sorted.isEmpty() ? Optional.empty() : Optional.of(sorted.get(sorted.size() / 2));
    }
}
