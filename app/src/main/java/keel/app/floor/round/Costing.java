package keel.app.floor.round;

import java.util.List;
import java.util.Map;
import keel.app.fleet.ShopSettings;
import keel.app.floor.week.WeekPlanned;
import keel.app.floor.week.Weeks;
import keel.app.guides.Guidebook;
import keel.app.prints.FailShares;
import keel.app.standing.MachineNow;
import keel.core.round.WaitCosts;
import keel.core.standing.Defaults;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Component;

/** What is asked once for all chores of a round: the shop's figures, how long things take, how often prints fail. */
@Component
class Costing {

    private final ShopSettings settings;
    private final Guidebook guidebook;
    private final FailShares shares;
    private final Weeks weeks;

    Costing(ShopSettings settings, Guidebook guidebook, FailShares shares, Weeks weeks) {
        this.settings = settings;
        this.guidebook = guidebook;
        this.shares = shares;
        this.weeks = weeks;
    }

    /**
     * As it is now.
     *
     * @param week what waits to be printed, and where it goes
     * @param defaults the shop's figures
     * @param expected minutes by kind of service, to plan with; {@code usual} the same as they are shown
     * @param failed share of prints that failed lately, by machine
     */
    record Now(
            WeekPlanned week,
            WaitCosts costs,
            Defaults defaults,
            Map<ServiceKind, Double> expected,
            Map<ServiceKind, Integer> usual,
            Map<String, Double> failed) {

        /** Of a machine that stands: a job waits for it, else by its pace lately; unknown where it never printed. */
        double idle(MachineNow m) {
            return week.wants(m.code())
                    ? costs.idleWhileWanted()
                    : costs.idle(m.total().hours() > 0 ? Double.valueOf(m.hoursPerDay()) : null);
        }

        double expected(ServiceKind kind, int otherwise) {
            return expected.getOrDefault(kind, (double) otherwise);
        }

        int usual(ServiceKind kind, int otherwise) {
            return usual.getOrDefault(kind, otherwise);
        }
    }

    Now now(List<MachineNow> machines) {
        Guidebook.Pace pace = guidebook.pace();
        return new Now(
                weeks.glance(machines),
                new WaitCosts(settings.defaults()),
                settings.defaults(),
                pace.expected(),
                pace.usual(),
                shares.lately());
    }
}
