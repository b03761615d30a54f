package keel.core.condition;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import keel.core.condition.FilmLearning.Lost;
import keel.core.condition.FilmLearning.Printed;
import keel.core.film.Clouding;
import keel.core.run.Detail;

/** Goes through the prints of a film once more, with as much as was known of it when each began. */
public final class FilmReplay {

    private FilmReplay() {}

    /**
     * A print through the film.
     *
     * @param hoursBefore print hours that the film had when it began, {@code uvBefore} UV hours
     * @param byAge chance that the film ends in it as far as its age alone tells
     * @param detail how much it needed
     */
    public record Run(
            long machine,
            double hoursBefore,
            double uvBefore,
            double hours,
            double uvHours,
            double byAge,
            Detail detail,
            Lost lost) {}

    /**
     * Those that began after somebody had looked.
     *
     * @param looks in order
     * @param runs in order
     */
    public static List<Printed> of(List<CloudingSeen> looks, List<Run> runs) {
        Deque<CloudingSeen> ahead = new ArrayDeque<>(looks);
        CloudingPath path = CloudingPath.fresh(CloudingPrior.USUAL);
        Clouding grade = null;
        boolean looked = false;
        List<Printed> printed = new ArrayList<>();
        for (Run run : runs) {
            while (!ahead.isEmpty() && ahead.peek().hours() <= run.hoursBefore()) {
                CloudingSeen seen = ahead.poll();
                path = path.upTo(seen.hours(), seen.uvHours()).seen(seen);
                grade = seen.grade() == null ? grade : seen.grade();
                looked = true;
            }
            if (looked) {
                path = path.upTo(run.hoursBefore(), run.uvBefore());
                printed.add(Printed.of(path, new FilmHazard(grade, List.of(), null, false, null), 0, run));
            }
        }
        return printed;
    }
}
