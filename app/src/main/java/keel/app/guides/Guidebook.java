package keel.app.guides;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import keel.app.air.AirParts;
import keel.app.base.NotThere;
import keel.app.fleet.MachineRef;
import keel.core.guide.LearnedMinutes;
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
    private static final Limit LATELY = Limit.of(300);

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

    /** All there are, for machines and for what carries the air. */
    public List<Procedure> all() {
        return procedures.all();
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

    /** How long the last few of this kind took, pauses taken out; empty until several were gone through. */
    public Optional<LearnedMinutes> usually(String procedure) {
        return LearnedMinutes.of(
                called(procedure).minutes(),
                sessions.took(procedure, LAST).stream()
                        .map(GuideSessions.Took::minutes)
                        .toList());
    }

    /**
     * Minutes of each kind of work that a guide leads through: as it took here, else as a rule.
     *
     * @param usual what is shown
     * @param expected the mean, to plan with
     */
    public record Pace(Map<ServiceKind, Integer> usual, Map<ServiceKind, Double> expected) {}

    public Pace pace() {
        Map<String, List<Double>> worked = sessions.worked(LATELY).stream()
                .collect(Collectors.groupingBy(
                        GuideSessions.Worked::procedure,
                        Collectors.mapping(w -> w.seconds() / 60, Collectors.toList())));
        Map<ServiceKind, Integer> usual = new EnumMap<>(ServiceKind.class);
        took(worked, LearnedMinutes::minutes).forEach((kind, m) -> usual.put(kind, (int) Math.round(m)));
        return new Pace(usual, took(worked, LearnedMinutes::mean));
    }

    private Map<ServiceKind, Double> took(Map<String, List<Double>> worked, ToDoubleFunction<LearnedMinutes> which) {
        Map<ServiceKind, Double> minutes = new EnumMap<>(ServiceKind.class);
        for (Procedure p : procedures.all()) {
            List<Double> last = worked.getOrDefault(p.code(), List.of());
            double usual = LearnedMinutes.of(p.minutes(), last.subList(0, Math.min(last.size(), LAST.max())))
                    .map(which::applyAsDouble)
                    .orElse((double) p.minutes());
            p.service().ifPresent(kind -> minutes.putIfAbsent(kind, usual));
        }
        return minutes;
    }

    /** How long each vat took in the last few sittings of this kind; empty until there were several. */
    public Optional<LearnedMinutes> minutesAVat(String procedure) {
        return LearnedMinutes.of(
                called(procedure).minutes(),
                sessions.sittings(procedure, LAST).stream()
                        .map(t -> t.minutes() / t.vats())
                        .toList());
    }
}
