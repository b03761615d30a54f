package keel.sim.story;

import static keel.core.profile.Setting.BOTTOM_EXPOSURE_S;
import static keel.core.profile.Setting.EXPOSURE_S;
import static keel.core.profile.Setting.LIFT_MM_PER_MIN;
import static keel.core.profile.Setting.RELEASE_S;
import static keel.sim.shop.Turn.TurnKind.BOLTS_FOUND;
import static keel.sim.shop.Turn.TurnKind.BOLTS_LOOSE;
import static keel.sim.shop.Turn.TurnKind.FILM;
import static keel.sim.shop.Turn.TurnKind.GREASE;
import static keel.sim.shop.Turn.TurnKind.LEVEL;
import static keel.sim.shop.Turn.TurnKind.PLATE;
import static keel.sim.shop.Turn.TurnKind.RESIN;
import static keel.sim.shop.Turn.TurnKind.SETTINGS;
import static keel.sim.shop.Turn.TurnKind.SPLASH;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import keel.core.profile.Setting;
import keel.sim.shop.Plot;
import keel.sim.shop.Turn;

/**
 * The planted stories: Bittern's bad fortnight of loose vat bolts, the splash that ended Curlew's screen, two dented
 * films, Fulmar's new resin; and what makes each state of a machine be seen at the end.
 */
final class SaltmarshPlots {

    static final int BITTERN_FILM = 35;
    static final int BITTERN_FOUND = 20;
    static final int NEW_RESIN = 12;

    /** How near is near enough, h: the tank must be within a week of its 150 h, and not past them. */
    static final Map<String, Double> NEAR_ENOUGH_H = Map.of("curlew", 6.0, "godwit", 3.0, "fulmar", 6.0);

    /** Hours at the end: Curlew's film and Godwit's tank are near their ends, Fulmar's Z is overdue. */
    static final Map<String, Double> HOURS_AT_END = Map.of("curlew", 438.0, "godwit", 142.0, "fulmar", 222.0);

    private final Days days;
    private final Map<String, Integer> daysForHours;

    /** @param daysForHours how many days before the end those hours began */
    SaltmarshPlots(Days days, Map<String, Integer> daysForHours) {
        this.days = days;
        this.daysForHours = daysForHours;
    }

    Plot of(String machine) {
        int begun = daysForHours.getOrDefault(machine, 0);
        List<Turn> turns = new ArrayList<>(
                switch (machine) {
                    case "avocet" -> List.of(film(24, "SCRATCHED", "Scratches all over the middle."));
                    case "bittern" -> bittern();
                    case "curlew" ->
                        List.of(
                                film(begun, "CLOUDED", null),
                                turn(46, LEVEL),
                                turn(33, LEVEL),
                                turn(38, GREASE),
                                settings(44, Map.of(BOTTOM_EXPOSURE_S, 32.0), "Bases lifted at the back edge."),
                                new Turn(
                                        days.before(24),
                                        SPLASH,
                                        "Wet along the right edge after pouring. Film looks whole.",
                                        "Splash crept under the vat and cured on the screen. Wipe the underside "
                                                + "after pouring."));
                    case "dunlin" ->
                        List.of(settings(40, Map.of(RELEASE_S, 3.5), "Slow mode of the tilt: large flat hinges tore."));
                    case "egret" ->
                        List.of(
                                film(58, "DENTED", "Two dents, straight out of the pack."),
                                film(30, "DENTED", "Two dents from the last pack; back to the supplier."));
                    case "fulmar" ->
                        List.of(
                                turn(begun, GREASE),
                                film(70, "CLOUDED", null),
                                new Turn(days.before(NEW_RESIN), RESIN, "silt-tough", null));
                    case "godwit" -> List.of(film(begun, "PLANNED", null));
                    default -> List.of();
                });
        turns.add(turn(17, PLATE));
        if (!machine.equals("fulmar")) {
            turns.add(turn(9, GREASE));
        }
        Plot.Finale finale = machine.equals("dunlin")
                ? Plot.Finale.RUNNING
                : machine.equals("bittern") ? Plot.Finale.JUST_FAILED : Plot.Finale.NONE;
        return new Plot(
                turns,
                days.before(Math.max(40, begun)).minus(Duration.ofDays(1)),
                days.before(finale == Plot.Finale.JUST_FAILED ? 3 : 11),
                days.end().minus(Duration.ofHours(4)),
                begun > 0 || machine.equals("avocet"),
                finale);
    }

    private List<Turn> bittern() {
        return List.of(
                film(BITTERN_FILM, "CLOUDED", "Straight after the change, vat back in."),
                turn(BITTERN_FILM, BOLTS_LOOSE),
                settings(30, Map.of(EXPOSURE_S, 2.5), "Layers apart again. A little more light."),
                settings(
                        25,
                        Map.of(EXPOSURE_S, 2.9, LIFT_MM_PER_MIN, 60.0),
                        "Two advices at once: more light, slower lift."),
                new Turn(
                        days.before(BITTERN_FOUND),
                        BOLTS_FOUND,
                        "The vat lifts with the plate. Both bolts can be turned by hand.",
                        "Loose since the film change. A fortnight of blaming the exposure."));
    }

    private Turn film(int daysLeft, String reason, String note) {
        return new Turn(days.before(daysLeft), FILM, reason, note);
    }

    private Turn turn(int daysLeft, Turn.TurnKind kind) {
        return new Turn(days.before(daysLeft), kind);
    }

    private Turn settings(int daysLeft, Map<Setting, Double> settings, String why) {
        return new Turn(days.before(daysLeft), SETTINGS, null, why, settings);
    }

    /** Days before the end from which a machine printed so many hours. */
    static int daysFor(double hours, List<RunSpan> runs, Instant end) {
        double sum = 0;
        for (int i = runs.size() - 1; i >= 0; i--) {
            sum += Duration.between(runs.get(i).from(), runs.get(i).to()).toMinutes() / 60.0;
            if (sum >= hours) {
                return (int) Duration.between(runs.get(i).from(), end).toDays();
            }
        }
        return (int) Duration.between(runs.get(0).from(), end).toDays();
    }

    static double hoursFrom(Instant from, List<RunSpan> runs) {
        return runs.stream()
                .filter(r -> !r.from().isBefore(from))
                .mapToDouble(r -> Duration.between(r.from(), r.to()).toMinutes() / 60.0)
                .sum();
    }

    record RunSpan(Instant from, Instant to) {}
}
