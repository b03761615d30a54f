package keel.app.floor.week;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.stream.Stream;
import keel.app.fleet.ShopSettings;
import keel.app.stores.Baths;
import keel.core.plan.Visits;
import keel.core.round.ChoreKind;
import keel.core.round.WaitCosts;
import keel.core.standing.Defaults;
import keel.core.wash.WashBath;
import keel.core.week.PlanningFigures;
import org.springframework.stereotype.Component;

/** Baths that will be spent in the days ahead, by the prints that were washed in them a day. */
@Component
class BathsAhead {

    private static final double DAY_HOURS = 24;

    private final Baths baths;
    private final ShopSettings settings;
    private final Clock clock;

    BathsAhead(Baths baths, ShopSettings settings, Clock clock) {
        this.baths = baths;
        this.settings = settings;
        this.clock = clock;
    }

    /**
     * A bath that nobody washed in says nothing of when it is spent, nor does one that nobody filled.
     *
     * @param visit what a visit costs
     */
    Stream<Sittings.Upkeep> upkeep(double visit) {
        Instant now = clock.instant();
        Defaults defaults = settings.defaults();
        return baths.all().stream()
                .filter(b -> b.filledAt() != null && b.bath().prints() > 0 && b.printsLeft() != null)
                .map(b -> upkeep(b, visit, now, defaults));
    }

    private static Sittings.Upkeep upkeep(Baths.Bath b, double visit, Instant now, Defaults defaults) {
        double days = Math.max(1, Duration.between(b.filledAt(), now).toHours() / DAY_HOURS);
        double perDay = b.bath().prints() / days;
        boolean due = b.verdict() == WashBath.Verdict.CHANGE;
        int best = due ? 0 : (int) Math.min(PlanningFigures.days(), b.printsLeft() / perDay);
        double ml = b.bath().carriedMl() / b.bath().prints();
        double late = DAY_HOURS * new WaitCosts(defaults).spentBath(perDay, ml);
        String id = WeekPlanned.BENCH + ":" + b.code();
        return new Sittings.Upkeep(
                id,
                WeekPlanned.BENCH,
                new WeekPlanned.Upkeep("Change bath " + b.code(), null, "/wash#" + b.code(), why(b, due), false),
                ChoreKind.BATH.minutes(),
                due,
                new Visits.Task(id, best, PlanningFigures.upkeepEarly(), due ? Math.max(2 * visit, late) : late),
                0);
    }

    private static String why(Baths.Bath b, boolean due) {
        if (due) {
            return "It no longer washes clean.";
        }
        return b.printsLeft() == 1 ? "It takes one more print." : "It takes about " + b.printsLeft() + " more prints.";
    }
}
