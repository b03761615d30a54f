package keel.sim.measure;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import keel.core.life.AgeReplacement;
import keel.core.life.CheapestAge;
import keel.core.life.EarlyAndWorn;
import keel.core.life.Life;
import keel.core.life.LifeClock;
import keel.core.life.Lived;
import keel.core.life.WeibullFit;
import keel.core.standing.ChangeCosts;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import keel.core.wear.Lifespan;
import keel.core.wear.Usage;
import keel.core.wear.WeibullLife;
import keel.sim.history.SimCommand;
import keel.sim.shop.Happening;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/**
 * How honest forecasts of film lives are: made month by month on a simulated shop from what was known then, held
 * against what happened. shop-a may be tuned on, shop-b is for judging ({@code -Djudge}).
 */
@Tag("bench")
class LifeBench {

    private static final WeibullLife USUAL = Defaults.shipped().life(PartUse.UsedPart.FILM);
    private static final Set<String> NOT_BY_ITSELF = Set.of("PLANNED", "OTHER");
    private static final double JOB_H = 8;
    private static final double FIXED_H = Defaults.shipped().replaceAt(PartUse.UsedPart.FILM);
    private static final ChangeCosts COSTS = ChangeCosts.of(Defaults.shipped(), PartUse.UsedPart.FILM);
    private static final double[] CHANCES = {0.01, 0.02, 0.04, 1};

    /**
     * A film with the print hours that it had done at each end of a run; {@code ended} is false where it was changed
     * for another reason, or lives on.
     */
    private record Film(List<Instant> at, List<Double> hours, boolean ended, boolean inPrint, Instant removed) {

        double life() {
            return hours.isEmpty() ? 0 : hours.get(hours.size() - 1);
        }

        boolean gone(Instant when) {
            return removed != null && !removed.isAfter(when);
        }

        /** What it had done by a moment; negative before its first run. */
        double hoursAt(Instant when) {
            return gone(when) ? life() : age(when);
        }

        /** Age at a moment; negative before its first run or after its end. */
        double age(Instant when) {
            if (at.isEmpty() || at.get(0).isAfter(when) || gone(when)) {
                return -1;
            }
            double age = 0;
            for (int i = 0; i < at.size() && !at.get(i).isAfter(when); i++) {
                age = hours.get(i);
            }
            return age;
        }
    }

    /** Told and happened. */
    private static final class Tally {

        private int told;
        private int held;
        private final double[][] bins = new double[CHANCES.length][3];

        void interval(Film f, double age, Lifespan life) {
            if (f.ended()) {
                told++;
                held += f.life() >= life.ageWhenFailed(age, 0.1) && f.life() <= life.ageWhenFailed(age, 0.9) ? 1 : 0;
            }
        }

        void chance(Film f, double age, Lifespan life) {
            double chance = life.failsWithin(age, JOB_H);
            int bin = 0;
            while (chance >= CHANCES[bin] && bin < CHANCES.length - 1) {
                bin++;
            }
            bins[bin][0]++;
            bins[bin][1] += chance;
            bins[bin][2] += f.ended() && f.life() - age <= JOB_H ? 1 : 0;
        }

        void print(String by) {
            System.out.printf(
                    "  %s: 80 %% intervals of remaining life held %.1f %% of %d%n", by, 100.0 * held / told, told);
            for (double[] bin : bins) {
                if (bin[0] > 0) {
                    System.out.printf(
                            "    fails in the next 8 h: told %4.1f %%, happened %4.1f %% of %.0f%n",
                            100 * bin[1] / bin[0], 100 * bin[2] / bin[0], bin[0]);
                }
            }
        }
    }

    @Test
    void onTheShopThatItMayBeTunedOn() {
        judge("shop-a", 21);
    }

    @Test
    @EnabledIfSystemProperty(named = "judge", matches = ".+")
    void onTheShopThatIsKept() {
        judge("shop-b", 22);
    }

    private static void judge(String shop, long seed) {
        var history = SimCommand.history(21, 36, 1.2, seed, shop);
        List<Film> films = films(history.happenings());
        System.out.printf(
                "%n%s: %d films, %d ended by themselves, %d of them in a print%n",
                shop,
                films.size(),
                films.stream().filter(Film::ended).count(),
                films.stream().filter(f -> f.ended() && f.inPrint()).count());
        Tally early = new Tally();
        Tally one = new Tally();
        for (Instant now = history.start().plus(Duration.ofDays(180));
                now.isBefore(history.end().minus(Duration.ofDays(90)));
                now = now.plus(Duration.ofDays(30))) {
            Lifespan told = EarlyAndWorn.fitted(known(films, now), USUAL);
            Lifespan single = WeibullFit.bayes(known(films, now), WeibullFit.Prior.around(USUAL))
                    .life();
            for (Film f : films) {
                double age = f.age(now);
                if (age > 0) {
                    early.interval(f, age, told);
                    one.interval(f, age, single);
                    early.chance(f, age, told);
                    one.chance(f, age, single);
                }
            }
        }
        early.print("early ends and wear told apart");
        one.print("one Weibull life");
        policies(films, history.start().plus(Duration.ofDays(180)));
    }

    private static void policies(List<Film> films, Instant from) {
        List<Film> later = films.stream()
                .filter(f -> f.ended() && f.at().get(0).isAfter(from))
                .toList();
        System.out.printf(
                "  cost an hour of %d films: by the records %.4f, by the fitted age alone %.4f, by one Weibull life "
                        + "%.4f, at %.0f h %.4f, run until it ends %.4f%n",
                later.size(),
                cost(later, f -> byRecords(films, f)),
                cost(later, f -> best(films, f, EarlyAndWorn.fitted(known(films, f.at().get(0)), USUAL))),
                cost(
                        later,
                        f -> best(
                                films,
                                f,
                                WeibullFit.bayes(known(films, f.at().get(0)), WeibullFit.Prior.around(USUAL))
                                        .life())),
                FIXED_H,
                cost(later, f -> FIXED_H),
                cost(later, f -> Double.POSITIVE_INFINITY));
        double hindsight = Double.POSITIVE_INFINITY;
        for (double at = 50; at < 1500; at += 10) {
            double age = at;
            hindsight = Math.min(hindsight, cost(later, f -> age));
        }
        System.out.printf("  the best single age in hindsight %.4f%n", hindsight);
    }

    /** The age that the product would have named when the film was fitted. */
    private static double byRecords(List<Film> films, Film f) {
        Instant then = f.at().get(0);
        List<Lived> past = films.stream()
                .filter(o -> o.hoursAt(then) > 0)
                .map(o -> new Lived(
                        new Usage(o.hoursAt(then), 0, 0, 0, 0),
                        !o.gone(then) ? null : o.ended() ? "CLOUDED" : "PLANNED",
                        o.gone(then) && o.ended() && o.inPrint()))
                .toList();
        AgeReplacement fitted = AgeReplacement.of(
                EarlyAndWorn.fitted(known(films, then), USUAL), COSTS.plannedCost(), endCost(films, then));
        return CheapestAge.of(
                        fitted,
                        LifeClock.HOURS,
                        FIXED_H,
                        LifeClock.HOURS,
                        past,
                        COSTS.plannedCost(),
                        COSTS.failureCost())
                .at();
    }

    private static double best(List<Film> films, Film f, Lifespan life) {
        Double at = AgeReplacement.of(life, COSTS.plannedCost(), endCost(films, f.at().get(0)))
                .replaceAtHours();
        return at == null ? Double.POSITIVE_INFINITY : at;
    }

    private static double endCost(List<Film> films, Instant then) {
        List<Film> before =
                films.stream().filter(o -> o.ended() && o.gone(then)).toList();
        return COSTS.endCost((int) before.stream().filter(Film::inPrint).count(), before.size());
    }

    /** As if each of these films had been changed at an age, or as it ended before. */
    private static double cost(List<Film> films, ToDoubleFunction<Film> changeAt) {
        double money = 0;
        double hours = 0;
        for (Film f : films) {
            double at = changeAt.applyAsDouble(f);
            money += f.life() <= at && f.inPrint() ? COSTS.failureCost() : COSTS.plannedCost();
            hours += Math.min(f.life(), at);
        }
        return money / hours;
    }

    /** What was known of lives at a moment: those that had ended, and the ages of those that lived on. */
    private static List<Life> known(List<Film> films, Instant now) {
        List<Life> lives = new ArrayList<>();
        for (Film f : films) {
            double age = f.hoursAt(now);
            if (age > 0) {
                lives.add(new Life(age, f.gone(now) && f.ended()));
            }
        }
        return lives;
    }

    private static List<Film> films(List<Happening> happenings) {
        Set<String> tanks = happenings.stream()
                .filter(h -> h instanceof Happening.ServiceDone s && s.kind().equals("TANK_CHANGE"))
                .map(h -> ((Happening.ServiceDone) h).machine())
                .collect(Collectors.toSet());
        Set<String> blamed = happenings.stream()
                .filter(h -> h instanceof Happening.CauseNamed c
                        && PartUse.UsedPart.FILM.failsBy().contains(c.cause()))
                .map(h -> ((Happening.CauseNamed) h).failureKey())
                .collect(Collectors.toCollection(HashSet::new));
        List<Film> films = new ArrayList<>();
        Map<String, Film> now = new HashMap<>();
        Map<String, Boolean> lastFailedByIt = new HashMap<>();
        happenings.stream().sorted(Comparator.comparing(Happening::at)).forEach(h -> {
            if (h instanceof Happening.RunDone r && !tanks.contains(r.machine())) {
                Film f = now.computeIfAbsent(
                        r.machine(), m -> new Film(new ArrayList<>(), new ArrayList<>(), false, false, null));
                f.at().add(r.at());
                f.hours().add(f.life() + Duration.between(r.startedAt(), r.at()).toMinutes() / 60.0);
                lastFailedByIt.put(r.machine(), false);
            } else if (h instanceof Happening.FailureSeen f) {
                lastFailedByIt.merge(f.machine(), blamed.contains(f.key()), Boolean::logicalOr);
            } else if (h instanceof Happening.ServiceDone s && s.kind().equals("FILM_CHANGE")) {
                Film f = now.remove(s.machine());
                if (f != null && f.life() > 0) {
                    films.add(new Film(
                            f.at(),
                            f.hours(),
                            !NOT_BY_ITSELF.contains(String.valueOf(s.values().get("endReason"))),
                            lastFailedByIt.getOrDefault(s.machine(), false),
                            s.at()));
                }
            }
        });
        now.forEach((m, f) -> films.add(f));
        return films;
    }
}
