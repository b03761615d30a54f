package keel.core.pattern;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Causes against machines: how often each cause spoils the prints of each machine, drawn to what the machines have in
 * common, and which stand out among all of them.
 *
 * @param cells cause by cause as they were given, machine by machine
 */
public record CauseMap(List<Cell> cells) {

    /**
     * A cause on a machine.
     *
     * @param shrunk share of its prints that the cause spoils, drawn to that of all
     */
    public record Cell(String cause, String machine, int failed, int prints, double shrunk, boolean standsOut) {}

    /**
     * @param failed prints by cause and machine; none where a machine is left out
     * @param prints of each machine, more than none
     * @param falseDiscovery share of those that stand out which may do so by chance
     */
    public static CauseMap of(
            Map<String, Map<String, Integer>> failed, Map<String, Integer> prints, double falseDiscovery) {
        List<Cell> cells = new ArrayList<>();
        List<Rates.Group> groups = new ArrayList<>();
        List<String> machines = List.copyOf(prints.keySet());
        if (machines.isEmpty()) {
            return new CauseMap(List.of());
        }
        failed.forEach((cause, of) -> {
            List<Rates.Counted> counted = machines.stream()
                    .map(m -> new Rates.Counted(m, of.getOrDefault(m, 0), prints.getOrDefault(m, 1)))
                    .toList();
            List<Rates.Group> rates = Rates.of(counted, falseDiscovery).groups();
            for (int i = 0; i < counted.size(); i++) {
                Rates.Counted c = counted.get(i);
                cells.add(new Cell(
                        cause,
                        c.id(),
                        (int) c.events(),
                        (int) c.exposure(),
                        rates.get(i).shrunk(),
                        false));
                groups.add(rates.get(i));
            }
        });
        return new CauseMap(marked(cells, groups, falseDiscovery));
    }

    /** More than the rest, and so among all cells together. */
    private static List<Cell> marked(List<Cell> cells, List<Rates.Group> groups, double falseDiscovery) {
        boolean[] out = StandsOut.among(
                groups.stream().mapToDouble(Rates.Group::p).toArray(),
                groups.stream().mapToDouble(Rates.Group::least).toArray(),
                falseDiscovery);
        List<Cell> marked = new ArrayList<>();
        for (int i = 0; i < out.length; i++) {
            Cell c = cells.get(i);
            boolean more = out[i] && c.failed() >= PatternSearch.LEAST_FAILED && rises(c, cells);
            marked.add(new Cell(c.cause(), c.machine(), c.failed(), c.prints(), c.shrunk(), more));
        }
        return marked;
    }

    private static boolean rises(Cell cell, List<Cell> cells) {
        int failed = 0;
        int prints = 0;
        for (Cell c : cells) {
            if (c.cause().equals(cell.cause()) && !c.machine().equals(cell.machine())) {
                failed += c.failed();
                prints += c.prints();
            }
        }
        return prints > 0 && cell.failed() / (double) cell.prints() > failed / (double) prints;
    }
}
