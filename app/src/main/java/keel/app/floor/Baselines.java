package keel.app.floor;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.app.standing.MachineNow;
import keel.core.standing.Baseline;
import keel.core.standing.MachineState;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which baselines each machine has, and which it is asked for when it next stands still. */
@Service
@Transactional
public class Baselines {

    private static final int NAMED = 3;
    private static final String ALL = "all";

    private final BaselineRecords records;
    private final Logbook logbook;
    private final Clock clock;

    /** For the fleet page, which every tablet asks for all the time; what was just taken shows half a minute later. */
    private final Cache<String, Known> lately =
            Caffeine.newBuilder().expireAfterWrite(Duration.ofSeconds(30)).build();

    /** All that was taken, and what the shop cannot take. */
    private record Known(Map<Long, Map<Baseline, Instant>> taken, Set<Baseline> waived) {}

    Baselines(BaselineRecords records, Logbook logbook, Clock clock) {
        this.records = records;
        this.logbook = logbook;
        this.clock = clock;
    }

    /**
     * A machine with what was taken of it, and when; what it cannot have is left out.
     *
     * @param taken null where it was not
     */
    public record Line(MachineNow machine, Map<Baseline, Optional<Instant>> taken) {

        public boolean isFor(Baseline baseline) {
            return taken.containsKey(baseline);
        }

        /** Null where it was not taken. */
        public Instant at(Baseline baseline) {
            return taken.getOrDefault(baseline, Optional.empty()).orElse(null);
        }
    }

    @Transactional(readOnly = true)
    public List<Line> of(List<MachineNow> machines) {
        return lines(machines, taken());
    }

    private Map<Long, Map<Baseline, Instant>> taken() {
        Map<Long, Map<Baseline, Instant>> taken = new HashMap<>();
        records.taken().forEach(t -> taken.computeIfAbsent(t.machineId, id -> new EnumMap<>(Baseline.class))
                .put(t.about, t.at));
        return taken;
    }

    private static List<Line> lines(List<MachineNow> machines, Map<Long, Map<Baseline, Instant>> taken) {
        return machines.stream()
                .map(m -> line(m, taken.getOrDefault(m.id(), Map.of())))
                .toList();
    }

    private static Line line(MachineNow m, Map<Baseline, Instant> taken) {
        Map<Baseline, Optional<Instant>> of = new EnumMap<>(Baseline.class);
        Baseline.of(m.kind()).forEach(b -> of.put(b, Optional.ofNullable(taken.get(b))));
        return new Line(m, of);
    }

    /** Those that this shop said it cannot take. */
    @Transactional(readOnly = true)
    public Set<Baseline> waived() {
        Set<Baseline> waived = EnumSet.noneOf(Baseline.class);
        records.findAll().forEach(w -> waived.add(w.about));
        return waived;
    }

    /** A sentence on all machines that stand still and lack some; empty where none does. */
    @Transactional(readOnly = true)
    public Optional<String> lacking(List<MachineNow> machines) {
        Known known = lately.get(ALL, all -> new Known(taken(), waived()));
        Set<Baseline> waived = known.waived();
        List<Line> lacking = lines(machines.stream().filter(Baselines::stands).toList(), known.taken()).stream()
                .filter(l -> l.taken().entrySet().stream()
                        .anyMatch(t -> t.getValue().isEmpty() && !waived.contains(t.getKey())))
                .toList();
        if (lacking.isEmpty()) {
            return Optional.empty();
        }
        List<String> names =
                lacking.stream().limit(NAMED).map(l -> l.machine().name()).toList();
        int more = lacking.size() - names.size();
        return Optional.of(String.join(", ", names)
                + (more > 0 ? " and " + more + " more stand" : lacking.size() == 1 ? " stands" : " stand")
                + " still: without them nobody can say later what has changed.");
    }

    private static boolean stands(MachineNow m) {
        return m.run() == null
                && m.standing().state() != MachineState.OFF
                && m.standing().state() != MachineState.HOLD;
    }

    /** This shop cannot take it, or can after all. */
    public void waive(Baseline about, boolean waived) {
        Actor keeper = Actor.require(Role.KEEPER);
        if (records.existsById(about) == waived) {
            return;
        }
        if (waived) {
            BaselineWaived w = new BaselineWaived();
            w.about = about;
            w.at = clock.instant();
            w.personId = keeper.personId();
            records.save(w);
        } else {
            records.deleteById(about);
        }
        lately.invalidateAll();
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                null,
                "BASELINE",
                about.ordinal(),
                clock.instant(),
                about.title() + (waived ? ": not asked for here any more." : ": asked for again."),
                Map.of("about", about, "waived", waived),
                keeper));
    }

    /** All that there are. */
    public static List<Baseline> kinds() {
        return Arrays.asList(Baseline.values());
    }
}
