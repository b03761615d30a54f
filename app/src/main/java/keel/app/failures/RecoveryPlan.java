package keel.app.failures;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.standing.MachineNow;
import keel.app.standing.SinceFailure;
import keel.core.diagnosis.Diagnosis;
import keel.core.failure.LookedFor;
import keel.core.gate.StartGate;
import keel.core.knowledge.Recoveries;
import keel.core.knowledge.Recovery;
import keel.core.standing.HoldCode;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Component;

/**
 * The way from a failure back to a good print: clean, mend the cause, what follows from it, a piece that is known to
 * come out, print again.
 */
@Component
public class RecoveryPlan {

    private final Recoveries recoveries;
    private final SinceFailure sinceFailure;
    private final FailureRecords records;

    RecoveryPlan(Recoveries recoveries, SinceFailure sinceFailure, FailureRecords records) {
        this.recoveries = recoveries;
        this.sinceFailure = sinceFailure;
        this.records = records;
    }

    /** @param cause what is to be mended, null while that is not known: then only what comes before it */
    public List<CasePage.Step> of(FailureView f, MachineNow machine, String cause, List<Diagnosis.AlsoLookAt> also) {
        Map<ServiceKind, Instant> done = doneSince(machine.id(), f.seenAt());
        List<CasePage.Step> steps = new ArrayList<>();
        boolean held = machine.holds().stream().anyMatch(h -> h.code() == HoldCode.FAILURE_NOT_CLEANED);
        if (held || done.containsKey(ServiceKind.CLEAN_UP)) {
            steps.add(step(
                    machine,
                    ServiceKind.CLEAN_UP,
                    List.of("Something cured may lie in the vat: the next print would press it into film and screen."),
                    done));
        }
        Map<ServiceKind, List<Diagnosis.AlsoLookAt>> looks = also.stream()
                .collect(Collectors.groupingBy(
                        l -> LookedFor.look(l.code()), () -> new EnumMap<>(ServiceKind.class), Collectors.toList()));
        looks.forEach((kind, harms) -> steps.add(step(machine, kind, why(harms), done)));
        if (cause == null) {
            return steps;
        }
        Recovery recovery = recoveries.of(cause, machine.kind());
        steps.add(mending(f, machine, recovery));
        recovery.work().stream()
                .filter(w -> !looks.containsKey(w) && (w != ServiceKind.CLEAN_UP || steps.isEmpty()))
                .forEach(w -> steps.add(step(machine, w, List.of(), done)));
        machine.holds().stream()
                .filter(h -> h.code() != HoldCode.FAILURE_NOT_CLEANED
                        && !looks.containsKey(h.next())
                        && !recovery.work().contains(h.next()))
                .forEach(h -> steps.add(step(machine, h.next(), List.of(h.text()), Map.of())));
        StartGate.knownGoodFirst(sinceFailure.of(machine.id()).inARow())
                .ifPresent(i -> steps.add(
                        new CasePage.Step("Print the known-good piece first", List.of(i.text()), null, null)));
        return steps;
    }

    /** Said to be done where no entry at the bench can show it, once the cause is named. */
    private static CasePage.Step mending(FailureView f, MachineNow machine, Recovery recovery) {
        boolean said = f.cause() != null && recovery.work().isEmpty();
        return new CasePage.Step("Mend it", recovery.what(), page(machine, recovery, f), f.mendedAt(), said);
    }

    public Recovery recovery(String cause, MachineNow machine) {
        return recoveries.of(cause, machine.kind());
    }

    private static CasePage.Step step(
            MachineNow machine, ServiceKind kind, List<String> how, Map<ServiceKind, Instant> done) {
        return new CasePage.Step(
                kind.task(), how, "/machines/" + machine.code() + "/do/" + kind.name(), done.get(kind));
    }

    /** What is looked for, and why; reasons that several share are said once. */
    private static List<String> why(List<Diagnosis.AlsoLookAt> harms) {
        String names =
                harms.stream().map(l -> l.name().toLowerCase(Locale.ROOT)).collect(Collectors.joining("; "));
        return Stream.concat(
                        Stream.of("Look for: " + names + "."),
                        harms.stream().map(Diagnosis.AlsoLookAt::why).distinct())
                .toList();
    }

    private static String page(MachineNow machine, Recovery recovery, FailureView f) {
        return switch (recovery.page()) {
            case PROFILE ->
                machine.resin() == null
                        ? "/machines/" + machine.code() + "/profiles"
                        : "/machines/" + machine.code() + "/profiles/" + machine.resin();
            case SCALE -> "/machines/" + machine.code() + "/profiles";
            case JOB -> f.run() == null ? null : "/runs/" + f.run();
            case NONE -> null;
        };
    }

    private Map<ServiceKind, Instant> doneSince(long machine, Instant from) {
        Map<ServiceKind, Instant> done = new EnumMap<>(ServiceKind.class);
        records.doneSince(machine, from).forEach(d -> done.put(d.kind(), d.at()));
        return done;
    }
}
