package keel.sim.print;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import keel.core.run.Outcome;

/**
 * How a print came out.
 *
 * @param outcome as a careful person would call it
 * @param at share of the layers at which what went wrong first showed; 1 for a good print
 * @param causes what was truly behind it, codes of the open format; empty for a good print
 * @param faults all that was wrong with it, whether it broke the print or not
 * @param signs what there is to see
 * @param cells where on the plate it shows; empty where it has no place
 * @param bits cured stuff in the vat
 * @param lostShare share of the parts that are lost
 * @param finishing whether only washing, drying or curing went wrong, after the print itself was good
 */
public record PrintEnd(
        Outcome outcome,
        double at,
        List<String> causes,
        List<String> faults,
        List<Sign> signs,
        int[] cells,
        double bits,
        double lostShare,
        boolean finishing) {

    private static final List<String> FINISHING = List.of("wash-short", "dried-short", "cure-long");

    /** One with no other fault than its causes. */
    public PrintEnd(
            Outcome outcome,
            double at,
            List<String> causes,
            List<Sign> signs,
            int[] cells,
            double bits,
            double lostShare,
            boolean finishing) {
        this(outcome, at, causes, causes, signs, cells, bits, lostShare, finishing);
    }

    static PrintEnd of(Printing print, List<Defect> defects) {
        if (defects.isEmpty()) {
            return new PrintEnd(Outcome.GOOD, 1, List.of(), List.of(), List.of(), new int[0], 0, 0, false);
        }
        Defect worst = defects.stream()
                .max((a, b) -> Double.compare(weight(a), weight(b)))
                .orElseThrow();
        long lost = defects.stream().flatMap(d -> d.lost().stream()).distinct().count();
        double share = (double) lost / print.job().parts().size();
        List<String> causes = new ArrayList<>(worst.causes());
        List<Sign> signs = new ArrayList<>(worst.signs());
        for (Defect other : defects) {
            if (other != worst) {
                signs.addAll(other.signs());
                other.causes().stream()
                        .filter(c -> together(worst, other) && !causes.contains(c))
                        .forEach(causes::add);
            }
        }
        boolean marred = defects.stream().anyMatch(Defect::flawed);
        Outcome outcome = share == 1
                ? Outcome.FAILED
                : share > 0
                        ? Outcome.PARTIAL
                        : marred ? print.chance().happens(0.45) ? Outcome.USABLE : Outcome.PARTIAL : Outcome.GOOD;
        return new PrintEnd(
                outcome,
                share > 0 ? worst.at() : 1,
                causes,
                faults(causes, defects),
                signs,
                worst.cells(),
                defects.stream().mapToDouble(Defect::bits).sum(),
                share,
                FINISHING.containsAll(causes));
    }

    private static List<String> faults(List<String> causes, List<Defect> defects) {
        Set<String> all = new LinkedHashSet<>(causes);
        defects.forEach(d -> all.addAll(d.faults()));
        return List.copyOf(all);
    }

    /** What ruined more parts; then what showed more plainly. */
    private static double weight(Defect d) {
        return d.lost().size()
                + d.signs().stream().mapToDouble(Sign::clarity).max().orElse(0) * 0.5
                + (d.flawed() ? 0.3 : 0);
    }

    /** Two faults count as two causes where both ruined parts. */
    private static boolean together(Defect worst, Defect other) {
        return !other.lost().isEmpty()
                && !worst.lost().isEmpty()
                && other.lost().size() * 2 >= worst.lost().size();
    }
}
