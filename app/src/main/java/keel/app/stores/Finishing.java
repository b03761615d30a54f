package keel.app.stores;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.core.rate.SuccessRate;
import keel.core.wash.BathKind;
import keel.core.wash.Hurried;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Prints from the plate to the finished part: each goes on by one tap, and every step can be taken back. */
@Service
@Transactional
public class Finishing {

    /** Prints that ended longer ago are not asked for any more. */
    static final Duration ASKED_FOR = Duration.ofDays(3);

    private static final Limit SHOWN = Limit.of(100);

    private final Baths baths;
    private final ShopSettings settings;
    private final Logbook logbook;
    private final Fleet fleet;
    private final FinishingRecords records;
    private final Clock clock;

    Finishing(Baths baths, ShopSettings settings, Logbook logbook, Fleet fleet, FinishingRecords records, Clock clock) {
        this.baths = baths;
        this.settings = settings;
        this.logbook = logbook;
        this.fleet = fleet;
        this.records = records;
        this.clock = clock;
    }

    /** How far a print is. */
    public enum Stage {
        TO_WASH("to wash"),
        WASHING("washing"),
        WASHING_AGAIN("in the second bath"),
        DRYING("drying"),
        CURING("curing"),
        DONE("finished");

        private final String words;

        Stage(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** How it came out. */
    public enum Finish {
        CLEAN,
        TACKY,
        BLOOM
    }

    /** A print with how far it is; {@code bathKind} what its resin is washed in, null if nobody said. */
    public record Print(
            long run,
            long machineId,
            String machine,
            String machineName,
            String job,
            Instant endedAt,
            double printMl,
            String supports,
            String first,
            Instant firstAt,
            String second,
            Instant secondAt,
            Double carriedMl,
            Instant dryAt,
            String drying,
            Instant cureAt,
            Instant doneAt,
            Finish finish,
            String bathKind) {

        public BathKind washedIn() {
            return bathKind == null ? null : BathKind.valueOf(bathKind);
        }

        public Stage stage() {
            return doneAt != null
                    ? Stage.DONE
                    : cureAt != null
                            ? Stage.CURING
                            : dryAt != null
                                    ? Stage.DRYING
                                    : secondAt != null
                                            ? Stage.WASHING_AGAIN
                                            : firstAt != null ? Stage.WASHING : Stage.TO_WASH;
        }

        /** In all baths together, null if it was not washed here. */
        public Double washSeconds() {
            return firstAt == null || dryAt == null
                    ? null
                    : Double.valueOf(Duration.between(firstAt, dryAt).toMillis() / 1000.0);
        }

        public Double dryHours() {
            return dryAt == null || cureAt == null
                    ? null
                    : Double.valueOf(Duration.between(dryAt, cureAt).toMillis() / 3.6e6);
        }
    }

    /** A print with the moment when its stage should be over, null where it waits for somebody. */
    public record Waiting(Print print, Instant until, boolean ready) {}

    /** What is to be finished, by stage; the latest ends first within one. */
    @Transactional(readOnly = true)
    public List<Waiting> open() {
        Instant now = clock.instant();
        Instant asked = now.minus(ASKED_FOR);
        return Stream.concat(records.lately(asked, SHOWN).stream(), records.stillOpen(asked, SHOWN).stream())
                .limit(SHOWN.max())
                .map(p -> {
                    Instant until = until(p);
                    return new Waiting(p, until, until != null && !until.isAfter(now));
                })
                .sorted(Comparator.comparing(Finishing::urgency))
                .toList();
    }

    /** What is in the bath goes before what waits, what waits before what dries. */
    private static int urgency(Waiting w) {
        return w.ready()
                ? 0
                : switch (w.print().stage()) {
                    case WASHING, WASHING_AGAIN -> 1;
                    case CURING -> 2;
                    case TO_WASH -> 3;
                    default -> 4;
                };
    }

    private Instant until(Print p) {
        double seconds = settings.defaults().value("wash.seconds");
        return switch (p.stage()) {
            case WASHING -> p.firstAt().plusMillis(Math.round(1000 * seconds));
            case WASHING_AGAIN -> p.secondAt().plusMillis(Math.round(1000 * seconds));
            case DRYING ->
                p.dryAt().plusMillis(Math.round(3.6e6 * settings.defaults().value("drying.hours")));
            case CURING ->
                p.cureAt().plusMillis(Math.round(60_000 * settings.defaults().value("cure.minutes")));
            default -> null;
        };
    }

    /** Finished last. */
    @Transactional(readOnly = true)
    public List<Print> done(int most) {
        return records.done(Limit.of(most));
    }

    /** @throws NotThere if there is no such run, or it has not ended */
    @Transactional(readOnly = true)
    public Print one(long run) {
        return records.one(run).orElseThrow(() -> new NotThere("There is no run " + run + " that has ended."));
    }

    /** What was hurried with a print, for its diagnosis. */
    @Transactional(readOnly = true)
    public Set<String> facts(long run) {
        return records.one(run)
                .map(p -> Hurried.facts(p.washSeconds(), p.dryHours()))
                .orElse(Set.of());
    }

    /** Into a bath; {@code supports} OFF_FIRST or AFTER, null if nobody said. */
    public void wash(long run, String bath, String supports) {
        Print p = at(run, Stage.TO_WASH, Stage.WASHING);
        Baths.Bath into = baths.one(bath == null ? "" : bath);
        if (into.filledAt() == null) {
            throw new Conflict("bath", "Bath " + into.code() + " was never filled. Fill it first.");
        }
        if (p.washedIn() == BathKind.WATER
                && into.bath().kind() != BathKind.WATER
                && into.bath().kind() != BathKind.WATER_BASED
                && p.stage() == Stage.TO_WASH) {
            note(p, "Washed in " + into.bath().kind().words() + ", though its resin is washed in water.");
        }
        if (p.stage() == Stage.TO_WASH) {
            FinishingRecord begun = begun(run);
            begun.supports = supports == null || supports.isBlank()
                    ? null
                    : supports.equals("OFF_FIRST") ? "OFF_FIRST" : "AFTER";
            begun.firstBathId = into.id();
            begun.firstAt = clock.instant();
            begun.resinMl = carried(p);
        } else {
            if (into.code().equals(p.first())) {
                throw new Conflict("bath", "It is in bath " + into.code() + " already.");
            }
            FinishingRecord goesOn = begun(run);
            goesOn.secondBathId = into.id();
            goesOn.secondAt = clock.instant();
        }
    }

    /** What a print carries into its bath, ml. */
    private double carried(Print p) {
        return Math.round(10 * p.printMl() * settings.defaults().value("wash.carriedShare")) / 10.0;
    }

    /** Out of the bath: it dries. Also for one that was washed where nobody keeps time. */
    public void dries(long run, String drying) {
        at(run, Stage.TO_WASH, Stage.WASHING, Stage.WASHING_AGAIN);
        FinishingRecord dries = begun(run);
        dries.dryAt = clock.instant();
        dries.drying = "FAN".equals(drying) ? "FAN" : "STILL";
    }

    public void cures(long run) {
        at(run, Stage.DRYING);
        begun(run).cureAt = clock.instant();
    }

    public void finished(long run, String finish) {
        Print p = at(run, Stage.CURING, Stage.DRYING);
        Finish how = List.of(Finish.values()).stream()
                .filter(f -> f.name().equals(finish))
                .findFirst()
                .orElseThrow(() -> new Refused("finish", "Say how it came out."));
        FinishingRecord done = begun(run);
        done.doneAt = clock.instant();
        done.finish = how;
        note(
                p,
                "Finished"
                        + (how == Finish.CLEAN
                                ? ", clean and dry to the touch."
                                : how == Finish.TACKY ? ": tacky." : ": white bloom."));
    }

    /** Takes the last step back. */
    public void back(long run) {
        Print p = one(run);
        FinishingRecord kept = records.findByRunId(run).orElse(null);
        if (kept == null) {
            throw new Conflict("Nothing was done with it yet.");
        }
        switch (p.stage()) {
            case DONE -> {
                kept.doneAt = null;
                kept.finish = null;
            }
            case CURING -> kept.cureAt = null;
            case DRYING -> {
                kept.dryAt = null;
                kept.drying = null;
            }
            case WASHING_AGAIN -> {
                kept.secondBathId = null;
                kept.secondAt = null;
            }
            case WASHING -> {
                kept.firstBathId = null;
                kept.firstAt = null;
                kept.resinMl = null;
                kept.supports = null;
            }
            default -> throw new Conflict("Nothing was done with it yet.");
        }
    }

    /** All of it at once, as it was written down elsewhere. */
    public record Whole(
            String first,
            Instant firstAt,
            String second,
            Instant secondAt,
            Instant dryAt,
            String drying,
            Instant cureAt,
            Instant doneAt,
            Finish finish,
            String supports) {}

    public void write(long run, Whole whole) {
        Print p = at(run, Stage.TO_WASH);
        FinishingRecord kept = begun(run);
        kept.supports = whole.supports();
        kept.firstBathId = id(whole.first());
        kept.firstAt = whole.firstAt();
        kept.secondBathId = id(whole.second());
        kept.secondAt = whole.secondAt();
        kept.resinMl = carried(p);
        kept.dryAt = whole.dryAt();
        kept.drying = whole.drying();
        kept.cureAt = whole.cureAt();
        kept.doneAt = whole.doneAt();
        kept.finish = whole.finish();
    }

    private Long id(String bath) {
        return bath == null ? null : records.bath(bath).orElse(null);
    }

    /**
     * How a school fares in the shop's own records.
     *
     * @param clean prints that were neither tacky nor bloomed
     * @param washedAFill prints that the first bath took between two fillings, on average, where most went by this
     *     school; null if no filling ended
     */
    public record School(String school, SuccessRate clean, int tacky, int bloom, Double washedAFill) {}

    @Transactional(readOnly = true)
    public List<School> schools() {
        Map<String, Double> fills = records.fills().stream()
                .collect(Collectors.groupingBy(
                        f -> f.supportsOffFirst() * 2 > f.prints() ? "OFF_FIRST" : "AFTER",
                        Collectors.averagingLong(FinishingRecords.Fill::prints)));
        return records.fared().stream()
                .map(f -> new School(
                        f.school(),
                        SuccessRate.of((int) (f.prints() - f.tacky() - f.bloom()), (int) f.prints()),
                        (int) f.tacky(),
                        (int) f.bloom(),
                        fills.get(f.school())))
                .toList();
    }

    private Print at(long run, Stage... stages) {
        Actor.current();
        fleet.lock(one(run).machineId());
        Print p = one(run);
        if (!List.of(stages).contains(p.stage())) {
            throw new Conflict(
                    p.job() + " is " + p.stage().words() + " already. Somebody else may have gone on with it.");
        }
        return p;
    }

    private FinishingRecord begun(long run) {
        return records.findByRunId(run).orElseGet(() -> {
            FinishingRecord begun = new FinishingRecord();
            begun.runId = run;
            begun.personId = Actor.current().personId();
            return records.save(begun);
        });
    }

    private void note(Print p, String what) {
        logbook.write(LogDraft.of(
                LogKind.FINISHED,
                p.machineId(),
                "RUN",
                p.run(),
                clock.instant(),
                p.job() + ". " + what,
                Map.of("run", p.run()),
                Actor.current()));
    }

    /** Prints that went into a bath since then. */
    @Transactional(readOnly = true)
    public List<Bathed> bathed(Instant since) {
        return records.bathed(since);
    }
}
