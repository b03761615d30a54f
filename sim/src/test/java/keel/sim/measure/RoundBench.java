package keel.sim.measure;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import keel.core.plan.Errand;
import keel.core.plan.Sequence;
import keel.core.plan.Walk;
import keel.core.round.Round;
import keel.sim.chance.Chance;
import keel.sim.history.SimCommand;
import keel.sim.shop.Happening;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/** What waiting costs a simulated shop that is worked in the order of the round, and in simpler ones. */
@Tag("bench")
class RoundBench {

    private static final int MONTHS = 2;
    private static final double NIGHT_MINUTES = 15 * 60;

    @Test
    void onTheShopThatItMayBeTunedOn() {
        judge("shop-a", 51);
    }

    @Test
    @EnabledIfSystemProperty(named = "judge", matches = ".+")
    void onTheShopThatIsKept() {
        judge(System.getProperty("judge"), 52);
    }

    private static void judge(String shop, long seed) {
        for (int machines : new int[] {8, 12}) {
            List<Happening> happenings =
                    SimCommand.history(machines, MONTHS, 1.2, seed, shop).happenings();
            Map<String, ShopFloor.Order> orders = new LinkedHashMap<>();
            orders.put("by kind", by(Comparator.comparing(ShopFloor.Job::kind)));
            orders.put("as they came", by(Comparator.comparing(ShopFloor.Job::from)));
            orders.put("by deadline", by(Comparator.comparing(RoundBench::deadline)));
            orders.put("the round", new Rounds());
            double best = Double.POSITIVE_INFINITY;
            for (Map.Entry<String, ShopFloor.Order> o : orders.entrySet()) {
                ShopFloor floor = new ShopFloor(happenings, Chance.of(seed));
                double cost = floor.work(o.getValue());
                String less = o.getKey().equals("the round")
                        ? String.format(
                                Locale.ROOT,
                                ", %.1f %% less than the best of them, %.1f %% of what an order can save",
                                100 * (1 - cost / best),
                                100 * (1 - (cost - floor.least()) / (best - floor.least())))
                        : "";
                best = Math.min(best, cost);
                System.out.printf(
                        Locale.ROOT,
                        "%s, %d machines, %-12s %9.0f for %d pieces of work%s%n",
                        shop,
                        machines,
                        o.getKey(),
                        cost,
                        floor.done(),
                        less);
            }
        }
    }

    private static ShopFloor.Order by(Comparator<ShopFloor.Job> first) {
        Comparator<ShopFloor.Job> all = first.thenComparing(ShopFloor.Job::from);
        return (there, now, room) -> there.stream().min(all).orElseThrow();
    }

    /** By when somebody with a clock and no prices would want it done. */
    private static Instant deadline(ShopFloor.Job job) {
        int minutes =
                switch (job.kind()) {
                    case OUT_OF_BATH -> 10;
                    case LOOK_IN -> 15;
                    case PRINT_ENDS -> 60;
                    case WASH -> 60;
                    case HOLD -> 120;
                    case CURE -> 240;
                    default -> 1440;
                };
        return job.from().plusSeconds(60L * minutes);
    }

    /** As the application does it: planned anew as things come up, from what was shown last. */
    private static final class Rounds implements ShopFloor.Order {

        private List<String> shown = List.of();

        @Override
        public ShopFloor.Job next(List<ShopFloor.Job> there, Instant now, String room) {
            Round round = Round.of(
                    there.stream().map(ShopFloor.Job::chore).toList(),
                    new Round.Asked(
                            now,
                            ShopFloor.left(now),
                            ShopFloor.left(now) + NIGHT_MINUTES,
                            1,
                            List.of(),
                            shown,
                            Map.of()));
            shown = round.items().stream().map(l -> l.chore().key()).toList();
            return there.stream()
                    .filter(j -> !shown.isEmpty() && j.key().equals(shown.get(0)))
                    .findFirst()
                    .orElse(null);
        }
    }

    /** Orders of many errands with releases, rooms and shared machines, against their own best of a long run. */
    @Test
    void manyErrandsAgainstALongRun() {
        double worst = 0;
        for (int seed = 0; seed < 10; seed++) {
            List<Errand> errands = errands(new Random(seed));
            Map<String, Double> unlocks = Map.of("m0", 3.0, "m1", 2.0, "m2", 1.0);
            Sequence once = Sequence.of(errands, unlocks, 2, 2, Sequence.Objective.COST);
            List<String> known = once.order();
            double best = once.cost();
            long end = System.nanoTime() + 6_000_000_000L;
            while (System.nanoTime() < end) {
                Walk more = Walk.of(errands, unlocks, 2, 2, Walk.Hours.OPEN, known);
                best = Math.min(best, more.cost());
                known = more.order();
            }
            worst = Math.max(worst, once.cost() / best - 1);
        }
        System.out.printf(Locale.ROOT, "one run is at most %.2f %% above the best that was found%n", 100 * worst);
    }

    private static List<Errand> errands(Random random) {
        List<Errand> all = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            all.add(new Errand(
                    "e" + i,
                    1 + random.nextInt(40),
                    random.nextDouble() * 5,
                    random.nextInt(3) == 0 ? random.nextInt(200) : 0,
                    null,
                    "r" + random.nextInt(3),
                    Set.of(),
                    random.nextInt(3) == 0 ? "m" + random.nextInt(3) : null));
        }
        return all;
    }
}
