package keel.sim.shop;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import keel.core.standing.MachineKind;
import keel.sim.chance.Chance;
import keel.sim.world.Film;
import keel.sim.world.Machine;
import keel.sim.world.Screen;

/** What the keeper does of their own accord in the morning: by hours, by what is seen in passing, and not always. */
final class Upkeep {

    private static final double GREASE_EVERY_H = 200;
    private static final double ABRADE_EVERY_H = 400;
    private static final double TANK_H = 150;
    private static final double CLOUDED = 0.17;

    private final Machine machine;
    private final Hands hands;
    private final Remedies remedies;
    private final Onlooker onlooker;

    Upkeep(Machine machine, Hands hands, Remedies remedies, Onlooker onlooker) {
        this.machine = machine;
        this.hands = hands;
        this.remedies = remedies;
        this.onlooker = onlooker;
    }

    /** @return when the machine is free for printing */
    Instant morning(Instant at, Chance chance) {
        Instant free = at;
        if (machine.hoursSinceGreased() > GREASE_EVERY_H && chance.happens(0.22)) {
            free = hands.grease(free);
        }
        if (machine.plate().hoursSinceAbrading() > ABRADE_EVERY_H && chance.happens(0.15)) {
            free = hands.abrade(free, chance.happens(0.5));
        } else if (chance.happens(0.02)) {
            free = hands.level(free, chance.happens(0.5));
        }
        Onlooker.Films films = onlooker.morning(machine);
        if (films != Onlooker.Films.LEFT) {
            free = films == Onlooker.Films.CHANGED ? hands.changeFilm(free, "PLANNED", null) : film(free, chance);
        }
        free = screen(free, chance);
        if (chance.happens(0.008)) {
            free = hands.standFirm(free);
        }
        if (chance.happens(0.03)) {
            free = underVat(free, chance);
        }
        return free;
    }

    private Instant film(Instant at, Chance chance) {
        Film film = machine.vat().film();
        double lost = 1 - film.meanTransmittance() / film.clearTransmittance();
        if (machine.site().kind() == MachineKind.LASER_TANK) {
            return film.hours() > TANK_H && chance.happens(0.12) ? hands.changeFilm(at, "PLANNED", null) : at;
        }
        if (lost + chance.normal(0, 0.02) > CLOUDED && chance.happens(0.15)) {
            return hands.changeFilm(at, chance.happens(0.3) ? "SCRATCHED" : "CLOUDED", null);
        }
        if (film.dents() > 2 && chance.happens(0.05)) {
            return hands.changeFilm(at, "DENTED", null);
        }
        return film.tightness() < 0.6 && chance.happens(0.06)
                ? hands.changeFilm(at, "SLACK", "Sounded dull when tapped.")
                : at;
    }

    private Instant screen(Instant at, Chance chance) {
        Screen screen = machine.screen();
        if (screen == null) {
            return at;
        }
        long dark = screen.spots().stream().filter(s -> !s.lit()).count();
        if ((dark > 2 || screen.patchAnywhere()) && chance.happens(0.08)) {
            return hands.changeScreen(at, screen.patchAnywhere() ? "PATCH" : "DARK_PIXELS", null);
        }
        return screen.spots().size() - dark > 2 && chance.happens(0.05)
                ? hands.changeScreen(at, "LIT_PIXELS", null)
                : at;
    }

    private Instant underVat(Instant at, Chance chance) {
        boolean pierced = machine.vat().film().pierced() && chance.happens(0.9);
        machine.handleVat(1);
        if (pierced) {
            hands.inspectVat(at, false, List.of("film-pierced"));
            return remedies.apply("film-pierced", at.plus(Duration.ofMinutes(20)));
        }
        machine.vat().wipeOutside();
        hands.inspectVat(at, true, List.of());
        return at.plus(Duration.ofMinutes(8));
    }
}
