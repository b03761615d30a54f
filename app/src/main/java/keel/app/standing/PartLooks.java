package keel.app.standing;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import keel.app.fleet.ShopSettings;
import keel.core.condition.LookInterval;
import keel.core.diagnosis.Stakes;
import keel.core.standing.ChangeCosts;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import org.springframework.stereotype.Component;

/** When a film or a tank should be looked at next: as often as pays here, from the last look on. */
@Component
public class PartLooks {

    /** A defect ends a film in about that many print hours; a look finds nine in ten. Common practice, no source. */
    private static final double DELAY_HOURS = 40;

    private static final double LOOK_FINDS = 0.9;

    private final ShopSettings settings;
    private final Clock clock;

    PartLooks(ShopSettings settings, Clock clock) {
        this.settings = settings;
        this.clock = clock;
    }

    /**
     * The next look.
     *
     * @param lookedAt when somebody looked last, null where nobody did
     * @param dueAt when it is due as the machine prints; null where it prints nothing, or where looks do not pay
     * @param everyHours print hours between two looks
     */
    public record NextLook(PartUse part, Instant lookedAt, Instant dueAt, double everyHours) {

        public boolean due(Instant now) {
            return dueAt != null && !dueAt.isAfter(now);
        }
    }

    /** Of what lines its vat; empty where it has nothing of the kind. */
    public Optional<NextLook> of(MachineNow m) {
        return m.worn().stream().filter(PartLooks::isLining).findFirst().map(lining -> next(m, lining));
    }

    public static boolean isLining(PartUse use) {
        return use.part() == PartUse.UsedPart.FILM || use.part() == PartUse.UsedPart.TANK;
    }

    private NextLook next(MachineNow m, PartUse use) {
        double every = interval(use, settings.defaults()).hours();
        Instant now = clock.instant();
        Instant looked = use.condition() == null ? null : use.condition().lookedAt();
        if (looked != null) {
            return new NextLook(use, looked, after(looked, every, m), every);
        }
        double ahead = every - use.usage().hours();
        return new NextLook(use, null, unknown(m) || ahead <= 0 ? now : after(now, ahead, m), every);
    }

    /** Nobody knows what it went through before. */
    private static boolean unknown(MachineNow m) {
        return m.notKnown().stream().anyMatch(n -> n.about() == NotKnown.About.FILM);
    }

    private static Instant after(Instant from, double hours, MachineNow m) {
        double days = hours / m.hoursPerDay();
        return Double.isNaN(days) || Double.isInfinite(days)
                ? null
                : from.plus(Duration.ofMinutes(Math.round(days * 24 * 60)));
    }

    static LookInterval interval(PartUse use, Defaults d) {
        ChangeCosts costs = ChangeCosts.of(d, use.part());
        return new LookInterval(
                1 / use.life().typicalHours(),
                1 / DELAY_HOURS,
                Stakes.of(d).look(),
                costs.plannedCost(),
                costs.failureCost(),
                LOOK_FINDS);
    }
}
