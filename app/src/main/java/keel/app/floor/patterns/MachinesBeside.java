package keel.app.floor.patterns;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Knowledge;
import keel.core.pattern.CauseMap;
import keel.core.pattern.Pattern.Counts;
import keel.core.pattern.Pattern.Group;
import keel.core.pattern.Told;
import keel.core.pattern.Trait;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Machines beside one another: what spoils their prints, how long they run between failures. */
@Component
@Transactional(readOnly = true)
public class MachinesBeside {

    private static final double FALSE_DISCOVERY = 0.1;
    private static final int MOST_CAUSES = 8;
    private static final int MOST_MACHINES = 12;

    private final Knowledge knowledge;
    private final PatternRecords records;

    MachinesBeside(Knowledge knowledge, PatternRecords records) {
        this.knowledge = knowledge;
        this.records = records;
    }

    /** A machine in figures; {@code code} and {@code name} of it. */
    public record InFigures(String code, String name, MachineTimes times) {}

    /** Those that fail soonest again first; those without an hour last. */
    public List<InFigures> figures(Patterns.Found found) {
        Map<Long, PatternRecords.Machine> machines =
                records.machines().stream().collect(Collectors.toMap(PatternRecords.Machine::id, Function.identity()));
        return found.told().times().stream()
                .map(t -> new InFigures(
                        machines.get(t.machine()).code(),
                        machines.get(t.machine()).name(),
                        t))
                .sorted(Comparator.comparing((InFigures f) -> f.times().between() == null
                                ? Double.MAX_VALUE
                                : f.times().between().mean())
                        .thenComparing(InFigures::name))
                .toList();
    }

    /**
     * Causes against machines.
     *
     * @param causes names, the one that spoils most first; {@code machines} the one that fails most first
     * @param cells by cause and machine
     * @param left machines that are not among them
     */
    public record Spoils(List<String> causes, List<String> machines, List<CauseMap.Cell> cells, int left) {

        public CauseMap.Cell cell(String cause, String machine) {
            return cells.stream()
                    .filter(c -> c.cause().equals(cause) && c.machine().equals(machine))
                    .findFirst()
                    .orElseThrow();
        }
    }

    /** Null where no cause of a failed print was named, or there is one machine only. */
    public Spoils spoils(Patterns.Found found) {
        Map<String, Map<String, Integer>> by = new HashMap<>();
        for (Told t : found.told().told()) {
            String cause = t.failed() ? found.told().causes().get(t.id()) : null;
            if (cause != null) {
                by.computeIfAbsent(name(cause), c -> new HashMap<>()).merge(machine(t, found), 1, Integer::sum);
            }
        }
        if (by.isEmpty() || found.machines().size() < 2) {
            return null;
        }
        Map<String, Integer> prints = new LinkedHashMap<>();
        found.machines().entrySet().stream()
                .sorted(Comparator.comparing(
                                (Map.Entry<Group, Counts> e) -> -e.getValue().failed())
                        .thenComparing(e -> found.told().name(e.getKey())))
                .forEach(e ->
                        prints.put(found.told().name(e.getKey()), e.getValue().prints()));
        Map<String, Map<String, Integer>> failed = by.entrySet().stream()
                .sorted(Comparator.comparing((Map.Entry<String, Map<String, Integer>> e) -> -sum(e.getValue()))
                        .thenComparing(Map.Entry::getKey))
                .limit(MOST_CAUSES)
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, (a, b) -> a, LinkedHashMap::new));
        List<String> shown = new ArrayList<>(prints.keySet()).subList(0, Math.min(MOST_MACHINES, prints.size()));
        return new Spoils(
                List.copyOf(failed.keySet()),
                List.copyOf(shown),
                CauseMap.of(failed, prints, FALSE_DISCOVERY).cells(),
                prints.size() - shown.size());
    }

    private static int sum(Map<String, Integer> counts) {
        return counts.values().stream().mapToInt(Integer::intValue).sum();
    }

    private static String machine(Told told, Patterns.Found found) {
        return found.told().name(new Group(Trait.MACHINE, told.is(Trait.MACHINE)));
    }

    private String name(String cause) {
        return knowledge.cause(cause).map(Cause::name).orElse(cause);
    }
}
