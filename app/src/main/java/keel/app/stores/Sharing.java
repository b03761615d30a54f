package keel.app.stores;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import keel.app.base.NotThere;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.core.cost.SharedUse;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which items all prints share, and what a print's part of them is. */
@Service
@Transactional
public class Sharing {

    /** Fewer prints say nothing of what one takes. */
    private static final int LEAST_PRINTS = 10;

    private final Buying buying;
    private final StockItems items;
    private final StockMovements movements;
    private final Clock clock;

    Sharing(Buying buying, StockItems items, StockMovements movements, Clock clock) {
        this.buying = buying;
        this.items = items;
        this.movements = movements;
        this.clock = clock;
    }

    /** Whether the use of an item is a cost of all prints; one with a line of its own, like a film, is not. */
    public void change(String item, boolean shared) {
        Actor.require(Role.KEEPER);
        items.findByCode(item).orElseThrow(() -> new NotThere("There is no item called " + item + ".")).shared = shared;
    }

    /** Codes of the items that prints share. */
    @Transactional(readOnly = true)
    public Set<String> items() {
        return Set.copyOf(items.shared());
    }

    /**
     * A print's part of what left the stores lately; empty where no item is shared, none has a price, or too little was
     * printed to say.
     */
    @Transactional(readOnly = true)
    public Optional<SharedUse> aPrint() {
        Set<String> shared = items();
        if (shared.isEmpty()) {
            return Optional.empty();
        }
        double prints = printsADay();
        List<SharedUse.SharedItem> uses = buying.lines(shared).stream()
                .filter(l -> l.terms().price() != null)
                .map(l -> new SharedUse.SharedItem(
                        l.item().item(),
                        l.item().name(),
                        l.item().unit(),
                        l.demand().mean(),
                        l.terms().price()))
                .toList();
        return prints > 0 && !uses.isEmpty() ? Optional.of(SharedUse.of(uses, prints)) : Optional.empty();
    }

    /** Over the days from which use is taken; 0 where it is too few. */
    private double printsADay() {
        Instant from = clock.instant().minus(Duration.ofDays(Buying.WINDOW_DAYS));
        StockMovements.Printed printed = movements.printed(from);
        return printed.count() < LEAST_PRINTS
                ? 0
                : printed.count()
                        / Math.max(
                                1,
                                Duration.between(printed.first(), clock.instant())
                                                .toHours()
                                        / 24.0);
    }
}
