package keel.sim.print;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;

/**
 * The parts of a job, each weighed by the same balance.
 *
 * @param gone those whose balance is below 0
 * @param marginal those that only just hold
 * @param cells under both
 * @param weakest the lowest balance of all
 */
record Weighed(List<Integer> gone, List<Integer> marginal, int[] cells, Balance weakest) {

    /** @param justHolds margin below which a part that holds is marred */
    static Weighed of(Printing print, double justHolds, Function<int[], Balance> balanceOver) {
        double luck = print.runLuck();
        List<Integer> gone = new ArrayList<>();
        List<Integer> marginal = new ArrayList<>();
        List<int[]> where = new ArrayList<>();
        Balance weakest = null;
        for (int i = 0; i < print.job().parts().size(); i++) {
            int[] cells = print.cellsOf(print.job().parts().get(i));
            Balance balance = balanceOver.apply(cells).luck(luck + print.partLuck());
            if (balance.margin() < justHolds) {
                (balance.margin() < 0 ? gone : marginal).add(i);
                where.add(cells);
            }
            weakest = weakest == null || balance.margin() < weakest.margin() ? balance : weakest;
        }
        return new Weighed(
                gone,
                marginal,
                where.stream().flatMapToInt(Arrays::stream).distinct().toArray(),
                weakest);
    }

    boolean allHold() {
        return gone.isEmpty() && marginal.isEmpty();
    }

    /** Share of the parts that are gone. */
    double extent(Printing print) {
        return (double) gone.size() / print.job().parts().size();
    }
}
