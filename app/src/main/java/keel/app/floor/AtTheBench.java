package keel.app.floor;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.bench.Bench;
import keel.app.fleet.MachineRef;
import keel.app.guides.Guidebook;
import keel.core.guide.Procedure;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What can be done at a machine: those jobs first that are done here most often, the rest by what they are of. */
@Component
@Transactional(readOnly = true)
public class AtTheBench {

    private static final Duration LATELY = Duration.ofDays(180);
    private static final int USUAL = 5;

    /** What is done most often where nothing is on record yet; common practice, no source. */
    private static final List<ServiceKind> FIRST = List.of(
            ServiceKind.PLATE_CLEARED,
            ServiceKind.CLEAN_UP,
            ServiceKind.LEVELLING,
            ServiceKind.VAT_INSPECTED,
            ServiceKind.FILM_CHANGE,
            ServiceKind.TANK_CHANGE);

    /** What says all there is to say in one tap, as words of the quick line. */
    private static final Map<ServiceKind, String> ONE_TAP = Map.of(
            ServiceKind.PLATE_CLEARED,
            "cleared",
            ServiceKind.LEVELLING,
            "levelled",
            ServiceKind.LUBRICATION,
            "greased");

    private final Bench bench;
    private final Guidebook guidebook;
    private final Clock clock;

    AtTheBench(Bench bench, Guidebook guidebook, Clock clock) {
        this.bench = bench;
        this.guidebook = guidebook;
        this.clock = clock;
    }

    /** What a job is done to. */
    public enum Where {
        FILM("Film and vat"),
        SCREEN("Screen and light"),
        PLATE("Plate and axis"),
        RESIN("Resin"),
        MACHINE("The machine");

        private final String words;

        Where(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * A job.
     *
     * @param minutes as its guide has it; null without a guide
     * @param last when it was done last; null if never, as far as is on record
     * @param guide path of what leads through it; null where nothing does
     * @param line what the quick line is told when it was done; null where more has to be said
     * @param form path of the form that writes it down
     */
    public record Job(
            Where where,
            String name,
            Integer minutes,
            long lately,
            Instant last,
            String guide,
            String line,
            String form) {}

    /** @param usual the five that are done most often here */
    public record Jobs(List<Job> usual, Map<Where, List<Job>> more) {}

    public Jobs of(MachineRef machine) {
        Map<ServiceKind, Bench.Done> done = new EnumMap<>(ServiceKind.class);
        bench.done(machine.id(), clock.instant().minus(LATELY)).forEach(d -> done.put(d.kind(), d));
        List<ServiceKind> kinds = ServiceKind.of(machine.traits()).stream()
                .sorted(Comparator.comparing((ServiceKind k) -> -lately(done.get(k)))
                        .thenComparing(k -> FIRST.contains(k) ? FIRST.indexOf(k) : FIRST.size()))
                .toList();
        List<Job> usual = kinds.stream()
                .limit(USUAL)
                .map(k -> job(machine, k, done.get(k)))
                .toList();
        Map<Where, List<Job>> more = new LinkedHashMap<>();
        for (Where where : Where.values()) {
            more.put(where, new ArrayList<>());
        }
        kinds.stream()
                .skip(USUAL)
                .sorted()
                .map(k -> job(machine, k, done.get(k)))
                .forEach(j -> more.get(j.where()).add(j));
        guidebook.forMachine(machine).stream()
                .filter(p -> p.service().isEmpty())
                .forEach(p -> more.get(Where.RESIN).add(alone(machine, p)));
        more.values().removeIf(List::isEmpty);
        return new Jobs(usual, more);
    }

    private static long lately(Bench.Done done) {
        return done == null ? 0 : done.lately();
    }

    private Job job(MachineRef machine, ServiceKind kind, Bench.Done done) {
        Optional<Procedure> guide = guidebook.leadingTo(kind, machine);
        String home = "/machines/" + machine.code();
        boolean led = guide.isPresent() || kind == ServiceKind.PLATE_CLEARED || kind == ServiceKind.STANCE_CHECKED;
        String words = ONE_TAP.get(kind);
        return new Job(
                where(kind),
                guide.map(Procedure::name).orElse(kind.task()),
                guide.map(Procedure::minutes).orElse(null),
                lately(done),
                done == null ? null : done.last(),
                led ? home + "/do/" + kind.name() : null,
                words == null ? null : machine.code() + " " + words,
                home + "/services/" + kind.name());
    }

    /** What is gone through and leaves no service behind: pouring. */
    private static Job alone(MachineRef machine, Procedure procedure) {
        String home = "/machines/" + machine.code();
        return new Job(
                Where.RESIN,
                procedure.name(),
                procedure.minutes(),
                0,
                null,
                home + "/guides/" + procedure.code(),
                null,
                home + "/pour");
    }

    private static Where where(ServiceKind kind) {
        return switch (kind) {
            case FILM_CHANGE, TANK_CHANGE, VAT_FITTED, VAT_REMOVED, VAT_INSPECTED, FILM_CLEANED, HOLE_CURED ->
                Where.FILM;
            case SCREEN_CHANGE, SCREEN_INSPECTED, LIGHT_CHANGE, WINDOW_INSPECTED -> Where.SCREEN;
            case LEVELLING, PLATE_WORK, PLATE_CLEARED, LUBRICATION, PLATE_DROPPED -> Where.PLATE;
            case CLEAN_UP -> Where.RESIN;
            default -> Where.MACHINE;
        };
    }
}
