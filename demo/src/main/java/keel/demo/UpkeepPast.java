package keel.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Random;
import keel.app.floor.upkeep.Marked;
import keel.app.floor.upkeep.UpkeepRules;
import keel.app.people.Actor;
import keel.app.shell.ShopClock;
import keel.app.standing.Standings;
import org.springframework.stereotype.Component;

/** When the shop last did what its own rules of upkeep ask for: most in time, some of it a little late. */
@Component
class UpkeepPast {

    private static final LocalTime BEFORE_WORK = LocalTime.of(8, 20);
    private static final long SEED = 41;

    /** Days since it was done last, where they are told; else by chance. */
    private static final Map<String, Integer> DAYS_AGO = Map.of(
            "Count the stores", 19,
            "Empty and cure the waste trays", 8,
            "Look over eye wash, first aid and spill kit", 62,
            "Wipe benches and handles for drips", 4);

    private static final int LONGEST_DAYS = 45;

    private final UpkeepRules rules;
    private final Standings standings;
    private final ShopClock clock;

    UpkeepPast(UpkeepRules rules, Standings standings, ShopClock clock) {
        this.rules = rules;
        this.standings = standings;
        this.clock = clock;
    }

    /**
     * @param start of the shop, {@code now} its end
     * @param keeper who did it
     */
    void tell(Instant start, Instant now, Actor keeper) {
        clock.tell(start);
        Replay.as(keeper);
        rules.ship();
        Random random = new Random(SEED);
        clock.tell(now);
        List<UpkeepRules.Due> all = rules.due(standings.all());
        for (UpkeepRules.Due d : all) {
            int days = DAYS_AGO.getOrDefault(d.rule().entry().name(), 1 + random.nextInt(LONGEST_DAYS));
            clock.tell(morning(now, days));
            rules.mark(d.rule().id(), d.target(), Marked.DONE, null, null);
        }
    }

    private static Instant morning(Instant now, int daysAgo) {
        ZoneId zone = ZoneId.systemDefault();
        return now.minus(Duration.ofDays(daysAgo))
                .atZone(zone)
                .with(BEFORE_WORK)
                .toInstant();
    }
}
