package keel.app.floor.week;

import java.time.Duration;
import java.time.Instant;
import keel.app.fleet.ShopTime;
import keel.app.stores.Buying;
import org.springframework.stereotype.Component;

/** By when something is ordered that lacks at a moment, in words. */
@Component
class OrderBy {

    private static final double DAY_MINUTES = 1440;

    private final ShopTime times;

    OrderBy(ShopTime times) {
        this.times = times;
    }

    /**
     * @param line how it is bought; null where nobody keeps count of it
     * @param needed when it lacks
     */
    String words(Buying.BuyingLine line, Instant needed, Instant now) {
        if (line != null && line.onOrder() > 0) {
            return "some is on order.";
        }
        Double days = line == null ? null : line.terms().leadDays();
        if (days == null) {
            return "order it; nobody said how long it takes to come.";
        }
        Duration takes = Duration.ofMinutes(Math.round(days * DAY_MINUTES));
        Instant by = needed.minus(takes);
        return by.isAfter(now)
                ? "order it by " + times.ahead(by) + "."
                : "order it now; it comes " + times.ahead(now.plus(takes)) + " at the earliest, after that.";
    }
}
