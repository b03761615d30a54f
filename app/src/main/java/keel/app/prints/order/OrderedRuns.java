package keel.app.prints.order;

import java.time.Instant;
import java.util.Map;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Runs with parts of an order on their plates: both are written, or neither. */
@Service
@Transactional
public class OrderedRuns {

    private final Runs runs;
    private final OrderPlates plates;
    private final OrderRecords records;

    OrderedRuns(Runs runs, OrderPlates plates, OrderRecords records) {
        this.runs = runs;
        this.plates = plates;
        this.records = records;
    }

    /**
     * @param order id, null where the run prints for none
     * @param parts pieces by the names of the parts, null for none
     * @throws Refused if one is given without the other, or there is no such order or part
     */
    public RunView enter(RunEntry entry, Long order, Map<String, Integer> parts) {
        boolean any = parts != null && !parts.isEmpty();
        if (order == null && any) {
            throw new Refused("order", "Say which order these parts belong to.");
        }
        if (order != null && !any) {
            throw new Refused("parts", "Say how many of which parts lie on the plate.");
        }
        if (order != null && !records.existsById(order)) {
            throw new Refused("order", "There is no order " + order + ".");
        }
        RunView run = runs.enter(entry);
        if (order != null) {
            plates.put(run.id(), order, plates.byId(order, parts, "parts"));
        }
        return run;
    }

    /**
     * @param partsGood pieces that came out by the names of the parts, null where nobody counted
     * @throws NotThere if there is no such run
     */
    public RunView finish(
            long id,
            Instant endedAt,
            String outcome,
            Integer reachedLayer,
            Double usedMl,
            Map<String, Integer> partsGood) {
        RunView run = runs.finish(id, endedAt, outcome, reachedLayer, usedMl);
        if (partsGood != null && !partsGood.isEmpty()) {
            long order = plates.ofRun(id)
                    .orElseThrow(() ->
                            new Refused("partsGood", "Nothing on record says that this plate had parts of an order."))
                    .order();
            plates.count(id, plates.byId(order, partsGood, "partsGood"));
        }
        return run;
    }
}
