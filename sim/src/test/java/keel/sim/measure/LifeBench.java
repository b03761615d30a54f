package keel.sim.measure;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import keel.core.life.AgeReplacement;
import keel.core.life.CompetingLives;
import keel.core.life.Life;
import keel.core.life.WeibullFit;
import keel.core.wear.WeibullLife;
import keel.sim.history.SimCommand;
import keel.sim.shop.Happening;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/**
 * How honest forecasts of film lives are: made month by month on a simulated shop from what was known then, held against what happened. shop-a may be tuned on, shop-b is for
 * judging ({@code -Djudge}).
 */
@Tag("bench")
class LifeBench {

    private static final WeibullLife USUAL = new WeibullLife(2, 450);
    private static final Set<String> NOT_BY_ITSELF = Set.of("PLANNED", "OTHER");
    private static final Set<String> WEARS_OUT = Set.of("CLOUDED", "SLACK");
    private static final double JOB_H = 8;
    private static final double FIXED_H = 450;
    private static final double PLANNED = 12;
    private static final double FAILURE = 45;

    /** A film with the print hours that it had done at each end of a run; {@code ended} is false where it was changed for another reason, or lives on. */
    private record Film(List<Instant> at, List<Double> hours, boolean ended, Instant removed, int way) {

        double life() {
            return hours.isEmpty() ? 0 : hours.get(hours.size() - 1);
        }

        /** Age at a moment; negative before its first run or after its end. */
        double age(Instant when) {
            if (at.isEmpty() || at.get(0).isAfter(when) || removed != null && !removed.isAfter(when)) {
                return -1;
            }
            double age = 0;
            for (int i = 0; i < at.size() && !at.get(i).isAfter(when); i++) {
                age = hours.get(i);
            }
            return age;
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
        System.out.printf("%n%s: %d films, %d ended by themselves%n", shop, films.size(), films.stream().filter(Film::ended).count());
        int within = 0;
        int told = 0;
        int byWays = 0;
        Map<Integer, double[]> bins = new HashMap<>();
        for (Instant now = history.start().plus(Duration.ofDays(180)); now.isBefore(history.end().minus(Duration.ofDays(90))); now = now.plus(Duration.ofDays(30))) {
            WeibullLife life = known(films, now).life();
            CompetingLives ways = ways(films, now);
            for (Film f : films) {
                double age = f.age(now);
                if (age > 0) {
                    double chance = life.failsWithin(age, JOB_H);
                    double[] bin = bins.computeIfAbsent(chance < 0.01 ? 0 : chance < 0.02 ? 1 : chance < 0.04 ? 2 : 3, b -> new double[3]);
                    bin[0]++;
                    bin[1] += chance;
                    bin[2] += f.ended() && f.life() - age <= JOB_H ? 1 : 0;
                    if (f.ended()) {
                        byWays += f.life() >= ways.ageWhenFailed(age, 0.1) && f.life() <= ways.ageWhenFailed(age, 0.9) ? 1 : 0;
                        told++;
                        within += f.life() >= life.ageWhenFailed(age, 0.1) && f.life() <= life.ageWhenFailed(age, 0.9) ? 1 : 0;
                    }
                }
            }
        }
        System.out.printf("  80 %% intervals of remaining life held      %4.1f %%, by ways %4.1f %% of %d%n", 100.0 * within / told, 100.0 * byWays / told, told);
        bins.forEach((b, v) -> System.out.printf("  fails in the next 8 h: told %4.1f %%, happened %4.1f %% of %.0f%n", 100 * v[1] / v[0], 100 * v[2] / v[0], v[0]));
        List<Film> later = films.stream().filter(f -> f.ended() && f.at().get(0).isAfter(history.start().plus(Duration.ofDays(180)))).toList();
        System.out.printf("  cost an hour: by the fitted age %.4f, by ways %.4f, at %.0f h %.4f, run until it ends %.4f (%d films)%n", cost(later, f -> best(films, f)),
                cost(later, f -> byWays(films, f)), FIXED_H, cost(later, f -> FIXED_H),
                cost(later, f -> Double.POSITIVE_INFINITY), later.size());
    }

    private static double best(List<Film> films, Film f) {
        Double at = AgeReplacement.of(known(films, f.at().get(0)).life(), PLANNED, FAILURE).replaceAtHours();
        return at == null ? Double.POSITIVE_INFINITY : at;
    }

    private static double byWays(List<Film> films, Film f) {
        Double at = ways(films, f.at().get(0)).replacement(PLANNED, FAILURE).replaceAtHours();
        return at == null ? Double.POSITIVE_INFINITY : at;
    }

    private static CompetingLives ways(List<Film> films, Instant now) {
        List<Life> lives = new ArrayList<>();
        List<Integer> way = new ArrayList<>();
        for (Film f : films) {
            boolean gone = f.removed() != null && !f.removed().isAfter(now);
            double age = gone ? f.life() : f.age(now);
            if (age > 0) {
                lives.add(new Life(age, gone && f.ended()));
                way.add(f.way());
            }
        }
        return CompetingLives.fitted(lives, way, 2, USUAL);
    }

    /** As if each of these films had been changed at an age, or as it ended before. */
    private static double cost(List<Film> films, ToDoubleFunction<Film> changeAt) {
        double money = 0;
        double hours = 0;
        for (Film f : films) {
            double at = changeAt.applyAsDouble(f);
            money += f.life() <= at ? FAILURE : PLANNED;
            hours += Math.min(f.life(), at);
        }
        return money / hours;
    }

    /** What was known of lives at a moment: those that had ended, and the ages of those that lived on. */
    private static WeibullFit known(List<Film> films, Instant now) {
        List<Life> lives = new ArrayList<>();
        for (Film f : films) {
            boolean gone = f.removed() != null && !f.removed().isAfter(now);
            double age = gone ? f.life() : f.age(now);
            if (age > 0) {
                lives.add(new Life(age, gone && f.ended()));
            }
        }
        return WeibullFit.bayes(lives, WeibullFit.Prior.around(USUAL));
    }

    private static List<Film> films(List<Happening> happenings) {
        List<Film> films = new ArrayList<>();
        Map<String, Film> now = new HashMap<>();
        happenings.stream().sorted(Comparator.comparing(Happening::at)).forEach(h -> {
            if (h instanceof Happening.RunDone r) {
                Film f = now.computeIfAbsent(r.machine(), m -> new Film(new ArrayList<>(), new ArrayList<>(), false, null, 0));
                f.at().add(r.at());
                f.hours().add(f.life() + Duration.between(r.startedAt(), r.at()).toMinutes() / 60.0);
            } else if (h instanceof Happening.ServiceDone s && s.kind().equals("FILM_CHANGE")) {
                Film f = now.remove(s.machine());
                if (f != null && f.life() > 0) {
                    films.add(new Film(f.at(), f.hours(), !NOT_BY_ITSELF.contains(String.valueOf(s.values().get("endReason"))), s.at(),
                            WEARS_OUT.contains(String.valueOf(s.values().get("endReason"))) ? 1 : 0));
                }
            }
        });
        now.forEach((m, f) -> films.add(f));
        return films;
    }
}
