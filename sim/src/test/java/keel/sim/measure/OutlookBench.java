package keel.sim.measure;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.ToDoubleFunction;
import keel.core.diagnosis.Stakes;
import keel.core.standing.ChangeCosts;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import keel.sim.chance.Chance;
import keel.sim.history.SimCommand;
import keel.sim.world.Parameters;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/**
 * How honest "this job is lost to its film" is: told before each print of a simulated shop from what was known then, by
 * age alone, by the last look alone, by the condition, and by the simulator itself, which prints each job forty times.
 * A shop is kept for judging only ({@code -Djudge=shop-d}).
 */
@Tag("bench")
class OutlookBench {

    private static final double LEAST = 5e-4;
    private static final Defaults SHIPPED = Defaults.shipped();
    private static final ChangeCosts COSTS = ChangeCosts.of(SHIPPED, PartUse.UsedPart.FILM);
    private static final double LOOK = Stakes.of(SHIPPED).look();
    private static final double WATCH = SHIPPED.value("watch.failureChance");

    @Test
    void onTheShopThatItMayBeTunedOn() {
        judge("shop-a", 31);
    }

    @Test
    @EnabledIfSystemProperty(named = "judge", matches = ".+")
    void onTheShopThatIsKept() {
        judge(System.getProperty("judge"), 32);
    }

    private static void judge(String shop, long seed) {
        FilmWatch watch = new FilmWatch(Parameters.shipped(shop), Chance.of(seed), null);
        SimCommand.history(21, 24, 1.2, seed, shop, watch);
        List<FilmWatch.Told> told =
                watch.told().subList(watch.told().size() / 6, watch.told().size());
        System.out.printf(
                Locale.ROOT,
                "%n%s: %d prints through films that somebody had looked at, %d lost to them; learned: they bear "
                        + "%.2f more, sd %.2f, other ends %.2f of the usual%n",
                shop,
                told.size(),
                told.stream().filter(FilmWatch.Told::lost).count(),
                watch.learned().more(),
                watch.learned().sd(),
                watch.learned().otherwise());
        double byAge = score(told, FilmWatch.Told::byAge);
        double truth = score(told, FilmWatch.Told::truth);
        say("by age alone", told, FilmWatch.Told::byAge, byAge, truth);
        say("by the look alone", told, FilmWatch.Told::byLook, byAge, truth);
        say("by condition", told, FilmWatch.Told::byCondition, byAge, truth);
        say("the simulator's own", told, FilmWatch.Told::truth, byAge, truth);
        money(shop, seed);
    }

    private static void money(String shop, long seed) {
        for (double at : new double[] {150, 250, 350, 450}) {
            double age = at;
            cost(shop, seed, (h, seen, f, t) -> h >= age, 0, "changed at " + at + " h");
        }
        cost(shop, seed, (h, seen, f, t) -> seen != null && seen.grade().worn(), LOOK, "on signs only");
        cost(
                shop,
                seed,
                (h, seen, f, t) -> h >= 250 || seen != null && seen.grade().worn(),
                LOOK,
                "on signs, or at 250 h");
        cost(shop, seed, (h, seen, f, t) -> seen != null && f.getAsDouble() > WATCH, LOOK, "by the advice");
        cost(shop, seed, (h, seen, f, t) -> t.getAsDouble() > 0.06, 0, "knowing the truth");
    }

    private static void cost(String shop, long seed, FilmWatch.Rule rule, double look, String name) {
        FilmWatch watch = new FilmWatch(Parameters.shipped(shop), Chance.of(seed), rule);
        SimCommand.history(14, 18, 1.2, seed, shop, watch);
        FilmWatch.Cost cost = watch.cost();
        System.out.printf(
                Locale.ROOT,
                "  money an hour %-28s %.4f (%d changes, %d prints lost, %d looks, %.0f h)%n",
                name,
                cost.anHour(COSTS, look),
                cost.changes(),
                cost.lost(),
                cost.looks(),
                cost.printHours());
    }

    /** Mean log score that is to be expected, by the simulator's own chances. */
    private static double score(List<FilmWatch.Told> told, ToDoubleFunction<FilmWatch.Told> chance) {
        return told.stream()
                .mapToDouble(t -> {
                    double p = Math.min(1 - LEAST, Math.max(LEAST, chance.applyAsDouble(t)));
                    return t.truth() * Math.log(p) + (1 - t.truth()) * Math.log(1 - p);
                })
                .average()
                .orElseThrow();
    }

    private static void say(
            String by, List<FilmWatch.Told> told, ToDoubleFunction<FilmWatch.Told> chance, double byAge, double truth) {
        double score = score(told, chance);
        System.out.printf(
                Locale.ROOT,
                "  %-20s log score %.5f, closes %3.0f %%;",
                by,
                score,
                100 * (score - byAge) / (truth - byAge));
        List<FilmWatch.Told> sorted =
                told.stream().sorted(Comparator.comparingDouble(chance)).toList();
        for (int i = 0; i < 3; i++) {
            List<FilmWatch.Told> third = sorted.subList(i * sorted.size() / 3, (i + 1) * sorted.size() / 3);
            double expected = third.stream().mapToDouble(chance).sum();
            long seen = third.stream().filter(FilmWatch.Told::lost).count();
            double truly = third.stream().mapToDouble(FilmWatch.Told::truth).sum();
            System.out.printf(
                    Locale.ROOT, "  %d (%.1f expected) of %.1f told, %.2f", seen, truly, expected, truly / expected);
        }
        System.out.println();
    }
}
