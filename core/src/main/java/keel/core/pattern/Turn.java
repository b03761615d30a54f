package keel.core.pattern;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keel.core.pattern.Pattern.Counts;
import keel.core.rate.RateDifference;

/**
 * A turn for the worse: from some print on a machine fails more often than before.
 *
 * @param lastBefore when the last print before it began, {@code firstAfter} when the first one after it did
 * @param notBefore the turn may have come as early as this: a few prints before the likeliest place
 * @param p chance of so clear a turn if the order of prints meant nothing, within their resins where they are known
 */
public record Turn(Instant notBefore, Instant lastBefore, Instant firstAfter, Counts before, Counts after, double p) {

    /** Of long histories the last prints. */
    static final int MOST = 400;

    private static final int LEAST = 20;
    private static final int UNSURE = 3;
    private static final double AMONG_ALL = 0.05;

    /** @param prints in any order */
    public static Optional<Turn> of(List<Told> prints) {
        List<Told> last = new ArrayList<>(prints);
        last.sort((a, b) -> a.at().compareTo(b.at()));
        last = last.subList(Math.max(0, last.size() - MOST), last.size());
        if (last.size() < LEAST) {
            return Optional.empty();
        }
        double[] failed = last.stream().mapToDouble(t -> t.failed() ? 1 : 0).toArray();
        List<String> resins =
                last.stream().map(t -> t.traits().getOrDefault(Trait.RESIN, "")).toList();
        List<Told> told = last;
        return ChangePoint.worth(failed, resins).flatMap(c -> c.lastBefore().map(k -> of(told, k, c)));
    }

    private static Turn of(List<Told> prints, int lastBefore, ChangePoint change) {
        return new Turn(
                prints.get(Math.max(0, lastBefore - UNSURE)).at(),
                prints.get(lastBefore).at(),
                prints.get(lastBefore + 1).at(),
                counts(prints.subList(0, lastBefore + 1)),
                counts(prints.subList(lastBefore + 1, prints.size())),
                change.p());
    }

    private static Counts counts(List<Told> prints) {
        return new Counts(
                prints.size(), (int) prints.stream().filter(Told::failed).count());
    }

    /** Whether it is clear even though so many machines were looked at. */
    public boolean clearAmong(int machines) {
        return p * machines <= AMONG_ALL;
    }

    public boolean worse() {
        return after.rate() > before.rate();
    }

    /** How much more often it fails since, with the 95 % interval (Newcombe 1998). */
    public RateDifference more() {
        return RateDifference.between(before.cameOut(), after.cameOut());
    }
}
