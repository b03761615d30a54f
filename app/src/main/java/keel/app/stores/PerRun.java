package keel.app.stores;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.app.standing.RunsChanged;
import keel.core.Findings;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What every print takes of an item: booked when a run ends, given back when it is withdrawn or goes on. */
@Service
@Transactional
public class PerRun {

    private static final double MOST = 1000;

    private final Stock stock;
    private final StockItems items;
    private final StockMovements movements;
    private final Clock clock;

    PerRun(Stock stock, StockItems items, StockMovements movements, Clock clock) {
        this.stock = stock;
        this.items = items;
        this.movements = movements;
        this.clock = clock;
    }

    /** From now on every print that ends takes so much; null for nothing. */
    public void change(String item, Double quantity) {
        Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.rangeIfGiven(quantity, 0, MOST, "perRun", "What a print takes", "");
        Refused.unless(findings);
        boolean none = quantity == null || quantity == 0;
        StockItem of = items.findByCode(item).orElseThrow(() -> new NotThere("There is no item called " + item + "."));
        of.perRun = none ? null : quantity;
        of.perRunSince = none ? null : clock.instant();
    }

    /** Books what is owed, and gives back what is owed no more. */
    @EventListener
    void follow(RunsChanged changed) {
        List<StockItems.PerPrint> takes = items.perPrint();
        if (!takes.isEmpty()) {
            book(changed, takes);
        }
        movements.notEnded(changed.machine()).forEach(this::giveBack);
    }

    private void book(RunsChanged changed, List<StockItems.PerPrint> takes) {
        Instant first = takes.stream()
                .map(StockItems.PerPrint::since)
                .min(Instant::compareTo)
                .orElseThrow();
        Map<List<Object>, Double> taken = movements.takenByRuns(changed.machine(), changed.since()).stream()
                .collect(Collectors.toMap(t -> List.of(t.item(), t.run()), StockMovements.ForRun::taken));
        for (StockMovements.Ended run : movements.ended(changed.machine(), changed.since(), first)) {
            for (StockItems.PerPrint item : takes) {
                boolean booked = taken.getOrDefault(List.of(item.code(), run.run()), 0.0) != 0;
                if (!booked && !run.endedAt().isBefore(item.since())) {
                    stock.takeForRun(item.code(), item.quantity(), run.job(), run.endedAt(), run.run());
                }
            }
        }
    }

    private void giveBack(StockMovements.Ended run) {
        movements.takenByRun(run.run()).stream()
                .filter(t -> t.taken() != 0)
                .forEach(t ->
                        stock.takeForRun(t.item(), -t.taken(), run.job() + " taken back", clock.instant(), run.run()));
    }
}
