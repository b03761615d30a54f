package keel.app.floor.week;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import keel.app.fleet.ShopTime;
import keel.app.prints.JobEntry;
import keel.app.prints.WantedView;
import keel.app.standing.MachineNow;
import keel.core.week.PlanningFigures;
import keel.core.week.WeekPlan;
import org.springframework.stereotype.Component;

/** Why a job stands where it stands, and what would have to give for one that has no place, in the trade's words. */
@Component
public class Reasons {

    private final ShopTime times;

    Reasons(ShopTime times) {
        this.times = times;
    }

    /** In a few words, the weightiest first. */
    public List<String> of(WeekPlan.Slot slot) {
        return slot.why().stream().map(w -> words(w, slot)).toList();
    }

    /** The same in one line. */
    public String line(WeekPlan.Slot slot) {
        String line = String.join("; ", of(slot));
        return line.isEmpty() ? "" : line.substring(0, 1).toUpperCase(Locale.ROOT) + line.substring(1) + ".";
    }

    private String words(WeekPlan.Why why, WeekPlan.Slot slot) {
        return switch (why) {
            case FIXED -> "fixed by hand";
            case NOT_AS_WISHED -> "not as wished: the machine or nobody's hands are free then";
            case ONLY_MACHINE -> "the only machine that it fits";
            case SAME_RESIN -> "its resin is in the vat";
            case NEW_RESIN -> "the resin is changed first, " + Math.round(PlanningFigures.resinMinutes()) + " min more";
            case COMES_OUT_BEST -> String.format(Locale.ROOT, "comes out best there, %.0f %%", 100 * slot.success());
            case ENDS_SEEN -> "ends while somebody is there";
            case PRINTS_UNSEEN ->
                String.format(Locale.ROOT, "nobody is there to look in for %.0f h of it", slot.unseenHours());
            case ENDS_UNSEEN ->
                slot.seenAt() == null
                        ? "ends after these days"
                        : "hangs " + hangs(slot.endAt(), slot.seenAt()) + " until somebody comes";
            case IN_TIME -> "in time";
            case LATE -> late(slot);
        };
    }

    private static String hangs(Instant from, Instant to) {
        long hours = Math.round(Duration.between(from, to).toMinutes() / 60.0);
        return hours < 1 ? "less than an hour" : hours + " h";
    }

    private String late(WeekPlan.Slot slot) {
        return slot.soonest() == null
                ? "too late"
                : "too late; even before all else it would be done " + times.ahead(slot.soonest());
    }

    private static String fitsNone(WantedView job, List<MachineNow> machines, List<String> spotted) {
        if (!spotted.isEmpty()) {
            return "Spots of the screen or marks in the film leave no place for "
                    + words(job.entry().size()) + " on " + String.join(", ", spotted)
                    + ". Change that part, or turn the job or cut it in two.";
        }
        if (job.fixedMachine() != null) {
            return "It is fixed to a machine that is out of use or too small. Leave it free, or choose another.";
        }
        JobEntry.Size size = job.entry().size();
        Optional<MachineNow> largest =
                machines.stream().max(Comparator.comparingDouble(m -> m.plateWidthMm() * m.plateDepthMm()));
        if (size.equals(JobEntry.Size.UNKNOWN) || largest.isEmpty()) {
            return "No machine of its models is in use.";
        }
        return String.format(
                Locale.ROOT,
                "No plate in use%s takes %s; the largest is %.0f × %.0f mm, %.0f mm high. Cut it in two, or turn it.",
                job.entry().models().isEmpty() ? "" : " of its models",
                words(size),
                largest.get().plateWidthMm(),
                largest.get().plateDepthMm(),
                largest.get().plateHeightMm());
    }

    private static String words(JobEntry.Size size) {
        String flat = size.widthMm() == null && size.depthMm() == null
                ? ""
                : mm(size.widthMm()) + " × " + mm(size.depthMm()) + " mm";
        String high = size.heightMm() == null ? "" : mm(size.heightMm()) + " mm of height";
        return flat.isEmpty() ? high : high.isEmpty() ? flat : flat + " and " + high;
    }

    private static String mm(Double side) {
        return side == null ? "any" : String.format(Locale.ROOT, "%.0f", side);
    }

    /** @param job the job that has no place in this week */
    public String of(WeekPlan.Left left, WantedView job, WeekPlanned week) {
        return switch (left.gives()) {
            case NO_MACHINE -> fitsNone(job, week.machines(), week.spotted().getOrDefault(left.id(), List.of()));
            case NOBODY_THERE -> "Nobody is there in these days to start it.";
            case NOBODY_LONG_ENOUGH ->
                "Nobody is there long enough at a stretch: prints must not go on alone in the rooms"
                        + " where it fits, and it is longer than anybody's day.";
            case NO_TIME ->
                "No time in these days. Before all else it would be done " + times.ahead(left.soonest()) + ".";
        };
    }
}
