package keel.core.life;

import java.util.List;
import java.util.stream.IntStream;
import keel.core.wear.Lifespan;
import keel.core.wear.WeibullLife;

/**
 * The life of a part that can end in several ways, whichever comes first: the ways are independent, each with a life of
 * its own, R(t) = Π R_k(t). Fitted way by way, where an end by another way counts as a life that might have gone on.
 *
 * <p>Source: competing risks, Meeker and Escobar, Statistical Methods for Reliability Data, ch. 15; NIST/SEMATECH
 * e-Handbook 8.1.7.2 (competing risk model).
 *
 * @param ways one life each, at least one
 */
public record CompetingLives(List<WeibullLife> ways) implements Lifespan {

    /** @throws IllegalArgumentException without any way */
    public CompetingLives {
        if (ways.isEmpty()) {
            throw new IllegalArgumentException("A life ends in at least one way.");
        }
        ways = List.copyOf(ways);
    }

    /**
     * From lives and the way in which each ended.
     *
     * @param way number of the way that ended each of the lives, below {@code count}; what it is for one that did not
     *     end does not matter
     * @param usual of the part as a whole, from which each way's prior is made so that together they give it
     */
    public static CompetingLives fitted(List<Life> lives, List<Integer> way, int count, WeibullLife usual) {
        WeibullLife each = new WeibullLife(usual.shape(), usual.scale() * Math.pow(count, 1 / usual.shape()));
        return new CompetingLives(IntStream.range(0, count)
                .mapToObj(k -> WeibullFit.bayes(
                                IntStream.range(0, lives.size())
                                        .mapToObj(i -> new Life(
                                                lives.get(i).hours(),
                                                lives.get(i).ended() && way.get(i) == k))
                                        .toList(),
                                WeibullFit.Prior.around(each))
                        .life())
                .toList());
    }

    @Override
    public double survival(double age) {
        return ways.stream().mapToDouble(w -> w.survival(age)).reduce(1, (a, b) -> a * b);
    }
}
