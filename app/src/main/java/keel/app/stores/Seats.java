package keel.app.stores;

import java.time.Clock;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.film.FilmSeat;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How the films of each model sit in their frames. */
@Service
@Transactional
public class Seats {

    private final Logbook logbook;
    private final SeatRecords records;
    private final Clock clock;

    Seats(Logbook logbook, SeatRecords records, Clock clock) {
        this.logbook = logbook;
        this.records = records;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public FilmSeat of(long modelId) {
        return records.findById(modelId).map(FilmSeatRecord::seat).orElse(FilmSeat.UNKNOWN);
    }

    /** Of all models, by their numbers; unknown where nobody measured. */
    @Transactional(readOnly = true)
    public Function<Long, FilmSeat> all() {
        Map<Long, FilmSeat> known =
                records.findAll().stream().collect(Collectors.toMap(r -> r.modelId, FilmSeatRecord::seat));
        return model -> known.getOrDefault(model, FilmSeat.UNKNOWN);
    }

    public void measure(long modelId, String modelName, FilmSeat seat) {
        Actor keeper = Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        seat.check(findings);
        Refused.unless(findings);
        FilmSeatRecord kept = records.findById(modelId).orElseGet(FilmSeatRecord::new);
        kept.modelId = modelId;
        kept.take(seat);
        records.save(kept);
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                null,
                "SHOP",
                modelId,
                clock.instant(),
                "How the film sits in vats for " + modelName + ": measured.",
                seat,
                keeper));
    }
}
