package keel.core.standing;

import static keel.core.standing.ServiceKind.CLEAN_UP;
import static keel.core.standing.ServiceKind.FILM_CHANGE;
import static keel.core.standing.ServiceKind.LEVELLING;
import static keel.core.standing.ServiceKind.MOVED;
import static keel.core.standing.ServiceKind.PLATE_CLEARED;
import static keel.core.standing.ServiceKind.PLATE_WORK;
import static keel.core.standing.ServiceKind.SCREEN_CHANGE;
import static keel.core.standing.ServiceKind.SCREEN_INSPECTED;
import static keel.core.standing.ServiceKind.STANCE_CHECKED;
import static keel.core.standing.ServiceKind.TANK_CHANGE;
import static keel.core.standing.ServiceKind.VAT_FITTED;
import static keel.core.standing.ServiceKind.VAT_INSPECTED;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Symptom;
import keel.core.standing.MachineEvent.FailureSeen;
import keel.core.standing.MachineEvent.LeakFound;
import keel.core.standing.MachineEvent.RunEnded;
import keel.core.standing.MachineEvent.ServiceDone;

/**
 * Which holds are open on a machine, derived from what happened to it. A hold is open when something that raises it
 * happened later than what clears it; at the same moment, clearing wins. Common practice, no published source.
 */
public final class HoldRules {

    private static final Set<ServiceKind> UNLEVELS =
            EnumSet.of(FILM_CHANGE, SCREEN_CHANGE, VAT_FITTED, TANK_CHANGE, PLATE_WORK);
    private static final Set<ServiceKind> UNLEVELS_SELF_LEVELLING = EnumSet.of(SCREEN_CHANGE, PLATE_WORK);

    private final Knowledge knowledge;

    public HoldRules(Knowledge knowledge) {
        this.knowledge = knowledge;
    }

    /**
     * @param events what happened to the machine, in any order; withdrawn entries left out
     * @param fitted what is fitted to it now
     * @return the open holds, most urgent first
     */
    public List<Hold> open(List<MachineEvent> events, MachineTraits machine, Fitted fitted) {
        List<Hold> open = new ArrayList<>();
        wetUnderVat(events, machine).ifPresent(open::add);
        if (fitted.stopGap() != null && fitted.stopGap().lapsed()) {
            open.add(new Hold(
                    HoldCode.STOP_GAP_LAPSED,
                    fitted.stopGap().since(),
                    ("A hole in the film is only cured shut, and nobody looked at it for %.0f h of printing. Inspect "
                                    + "the vat, or change the film.")
                            .formatted(fitted.stopGap().hours()),
                    VAT_INSPECTED));
        }
        crunch(events, machine).ifPresent(open::add);
        failureNotCleaned(events, machine).ifPresent(open::add);
        if (fitted.resinMixedAt() != null) {
            open.add(new Hold(
                    HoldCode.RESIN_MIXED,
                    fitted.resinMixedAt(),
                    "Another resin was poured onto the one in the "
                            + machine.kind().vessel() + ". Clean up, with the "
                            + machine.kind().vessel() + " emptied.",
                    CLEAN_UP));
        }
        if (machine.kind().hasScreen() && !fitted.screen()) {
            open.add(new Hold(
                    HoldCode.SCREEN_ENDED,
                    fitted.changedAt(),
                    "The screen has ended and none is fitted.",
                    SCREEN_CHANGE));
        }
        filmEnded(machine, fitted).ifPresent(open::add);
        unlessCleared(HoldCode.STANCE_UNCHECKED, events, service(MOVED))
                .ifPresent(at -> open.add(new Hold(
                        HoldCode.STANCE_UNCHECKED, at, "Moved; check that it stands firm and level.", STANCE_CHECKED)));
        notLevelled(events, machine).ifPresent(open::add);
        unlessCleared(HoldCode.PLATE_NOT_CLEAR, events, RunEnded.class::isInstance)
                .ifPresent(at -> open.add(new Hold(
                        HoldCode.PLATE_NOT_CLEAR,
                        at,
                        "The last print may still hang on the plate. Take it off and say so.",
                        PLATE_CLEARED)));
        return open;
    }

    /** Whether the next part must be held to the light: the first run after a crunch that was inspected. */
    public boolean holdNextPartToLight(List<MachineEvent> events) {
        return latest(events, HoldRules::crushes)
                .flatMap(at ->
                        first(events, RunEnded.class::isInstance, at).isPresent() ? Optional.empty() : Optional.of(at))
                .isPresent();
    }

    private Optional<Hold> wetUnderVat(List<MachineEvent> events, MachineTraits machine) {
        Optional<Instant> raised = latest(
                events,
                e -> e instanceof LeakFound
                        || e instanceof ServiceDone s && s.kind() == VAT_INSPECTED && s.leak() && !s.clean()
                        || e instanceof FailureSeen f && f.symptoms().contains("wet-under-vat"));
        if (raised.isEmpty()) {
            return Optional.empty();
        }
        List<Set<ServiceKind>> steps = HoldCode.WET_UNDER_VAT.steps();
        Optional<Instant> dried = first(events, service(steps.get(0)), raised.get());
        boolean inspected = dried.isPresent()
                && first(events, service(steps.get(1)).and(HoldRules::foundClean), dried.get())
                        .isPresent();
        if (inspected) {
            return Optional.empty();
        }
        String vessel = machine.kind().vessel();
        return Optional.of(
                dried.isPresent()
                        ? new Hold(
                                HoldCode.WET_UNDER_VAT,
                                raised.get(),
                                "It was wet under the " + vessel + " and has been dealt with. Inspect the " + vessel
                                        + ": it must be clean and whole.",
                                VAT_INSPECTED)
                        : new Hold(
                                HoldCode.WET_UNDER_VAT,
                                raised.get(),
                                "Wet under the " + vessel
                                        + ": resin there cures on the screen or window. Clean up or change the "
                                        + machine.kind().lining().toLowerCase(Locale.ROOT)
                                        + ", then inspect.",
                                CLEAN_UP));
    }

    private Optional<Hold> crunch(List<MachineEvent> events, MachineTraits machine) {
        return latest(events, HoldRules::crushes).flatMap(at -> {
            List<ServiceKind> left = HoldCode.CRUNCH_NOT_INSPECTED.steps().stream()
                    .flatMap(Set::stream)
                    .filter(kind -> kind != SCREEN_INSPECTED || machine.kind().hasScreen())
                    .filter(kind -> first(events, service(kind), at).isEmpty())
                    .toList();
            if (left.isEmpty()) {
                return Optional.empty();
            }
            String inspect = left.stream()
                    .map(kind ->
                            kind == SCREEN_INSPECTED ? "screen" : machine.kind().vessel())
                    .collect(Collectors.joining(" and the ", "Inspect the ", "."));
            return Optional.of(new Hold(
                    HoldCode.CRUNCH_NOT_INSPECTED,
                    at,
                    "Something was crushed or dropped into the "
                            + machine.kind().vessel() + ". " + inspect,
                    left.get(0)));
        });
    }

    private Optional<Hold> failureNotCleaned(List<MachineEvent> events, MachineTraits machine) {
        return unlessCleared(
                        HoldCode.FAILURE_NOT_CLEANED,
                        events,
                        e -> e instanceof FailureSeen f && leavesSomethingInTheVat(f))
                .map(at -> new Hold(
                        HoldCode.FAILURE_NOT_CLEANED,
                        at,
                        "A print failed: something cured may lie in the "
                                + machine.kind().vessel() + ". Clean up before printing again.",
                        CLEAN_UP));
    }

    private static Optional<Hold> filmEnded(MachineTraits machine, Fitted fitted) {
        boolean tank = machine.kind() == MachineKind.LASER_TANK;
        ServiceKind change = tank ? TANK_CHANGE : FILM_CHANGE;
        if (!fitted.vat()) {
            return Optional.of(new Hold(
                    HoldCode.FILM_ENDED,
                    fitted.changedAt(),
                    "No " + machine.kind().vessel() + " is fitted.",
                    tank ? TANK_CHANGE : VAT_FITTED));
        }
        return fitted.film()
                ? Optional.empty()
                : Optional.of(new Hold(
                        HoldCode.FILM_ENDED,
                        fitted.changedAt(),
                        tank ? "The tank has ended. Change it." : "The film has ended. Change it or fit another vat.",
                        change));
    }

    /** Whether such work takes the level away on this machine. */
    static boolean unlevels(ServiceKind done, MachineTraits machine) {
        return (machine.selfLevelling() ? UNLEVELS_SELF_LEVELLING : UNLEVELS).contains(done);
    }

    /** Whether such work takes the level away where nothing levels itself. */
    static boolean unlevels(ServiceKind done) {
        return UNLEVELS.contains(done);
    }

    private Optional<Hold> notLevelled(List<MachineEvent> events, MachineTraits machine) {
        Set<ServiceKind> unlevels = machine.selfLevelling() ? UNLEVELS_SELF_LEVELLING : UNLEVELS;
        Predicate<MachineEvent> raises = e -> e instanceof ServiceDone s && unlevels.contains(s.kind())
                || machine.levelsAfterEachPrint() && e instanceof RunEnded;
        return unlessCleared(HoldCode.NOT_LEVELLED, events, raises)
                .map(at -> new Hold(
                        HoldCode.NOT_LEVELLED,
                        at,
                        "The plate was not levelled since " + lastWork(events, unlevels, at) + ".",
                        LEVELLING));
    }

    private static String lastWork(List<MachineEvent> events, Set<ServiceKind> unlevels, Instant at) {
        return events.stream()
                .filter(e -> e.at().equals(at))
                .filter(ServiceDone.class::isInstance)
                .map(ServiceDone.class::cast)
                .map(ServiceDone::kind)
                .filter(unlevels::contains)
                .findFirst()
                .map(kind -> switch (kind) {
                    case FILM_CHANGE -> "the film was changed";
                    case TANK_CHANGE -> "the tank was changed";
                    case SCREEN_CHANGE -> "the screen was changed";
                    case VAT_FITTED -> "the vat was fitted";
                    default -> "the plate was worked on";
                })
                .orElse("the last print");
    }

    private boolean leavesSomethingInTheVat(FailureSeen failure) {
        return failure.symptoms().isEmpty()
                || !failure.symptoms().stream()
                        .allMatch(code ->
                                knowledge.symptom(code).map(Symptom::afterwards).orElse(false));
    }

    private static boolean crushes(MachineEvent event) {
        return event instanceof FailureSeen f && Crush.heard(f.symptoms())
                || event instanceof ServiceDone s && Crush.by(s.kind());
    }

    private static boolean foundClean(MachineEvent event) {
        return event instanceof ServiceDone s && s.clean();
    }

    private static Predicate<MachineEvent> service(ServiceKind kind) {
        return e -> e instanceof ServiceDone s && s.kind() == kind;
    }

    private static Predicate<MachineEvent> service(Set<ServiceKind> kinds) {
        return e -> e instanceof ServiceDone s && kinds.contains(s.kind());
    }

    /** Time of the latest raising event, unless the one step that clears this hold was taken then or later. */
    private static Optional<Instant> unlessCleared(
            HoldCode code, List<MachineEvent> events, Predicate<MachineEvent> raises) {
        Set<ServiceKind> clears = code.steps().get(0);
        return latest(events, raises)
                .filter(at -> first(events, service(clears), at).isEmpty());
    }

    private static Optional<Instant> latest(List<MachineEvent> events, Predicate<MachineEvent> which) {
        return events.stream().filter(which).map(MachineEvent::at).max(Instant::compareTo);
    }

    /** Time of the first matching event at or after {@code from}. */
    private static Optional<Instant> first(List<MachineEvent> events, Predicate<MachineEvent> which, Instant from) {
        return events.stream()
                .filter(e -> !e.at().isBefore(from))
                .filter(which)
                .map(MachineEvent::at)
                .min(Instant::compareTo);
    }
}
