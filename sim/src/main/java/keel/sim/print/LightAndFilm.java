package keel.sim.print;

import static keel.sim.print.Printing.signs;
import static keel.sim.print.Printing.with;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import keel.sim.chance.Chance;
import keel.sim.world.Film;
import keel.sim.world.Screen;
import keel.sim.world.Vat;

/** Light that does not come, comes where it should not, or does not get through; bits and holes that are in its way. */
final class LightAndFilm implements Force {

    @Override
    public void act(Printing print, List<Defect> out) {
        Screen screen = print.machine().screen();
        if (print.machine().light().dead() || screen != null && !screen.connected()) {
            out.add(new Defect(
                    List.of(print.machine().light().dead() ? "light-dead" : "screen-blank"),
                    print.allParts(),
                    false,
                    0.001,
                    new int[0],
                    signs("nothing-cured", 0.97),
                    0));
            return;
        }
        if (screen != null) {
            pixels(print, screen, out);
            blocked(print, screen, out);
        }
        bits(print, out);
        holes(print, out);
    }

    private static void pixels(Printing print, Screen screen, List<Defect> out) {
        for (Screen.Spot spot : screen.spots()) {
            List<Integer> hit = print.partsOver(spot.cell());
            if (spot.lit() && print.chance().happens(hit.isEmpty() ? 0.5 : 0.25)) {
                out.add(new Defect(
                        List.of("screen-lit-pixels"),
                        List.of(),
                        !hit.isEmpty(),
                        0.3,
                        new int[] {spot.cell()},
                        signs("thin-columns", 0.85),
                        0));
            } else if (!spot.lit()
                    && !hit.isEmpty()
                    && print.chance().happens(print.job().areaShare() + 0.15)) {
                List<Sign> signs = signs("hole-through", Math.min(0.95, 0.5 + 0.3 * spot.sizeMm()));
                out.add(new Defect(
                        List.of("screen-dark-pixels"), List.of(), true, 0.2, new int[] {spot.cell()}, signs, 0));
            }
        }
    }

    private static void blocked(Printing print, Screen screen, List<Defect> out) {
        int[] dark = Arrays.stream(print.covered()).filter(screen::blocked).toArray();
        if (dark.length == 0) {
            return;
        }
        boolean resin = Arrays.stream(dark).anyMatch(screen::resinAt);
        Film film = print.machine().vat().film();
        List<String> causes = !resin
                ? List.of("screen-dark-pixels")
                : film.pierced()
                        ? List.of("film-pierced", "resin-on-screen")
                        : print.machine().vat().wetOutside() ? List.of("spill") : List.of("resin-on-screen");
        List<Integer> lost = print.allParts().stream()
                .filter(i -> Arrays.stream(print.cellsOf(print.job().parts().get(i)))
                                .filter(screen::blocked)
                                .count()
                        > 0.3 * print.cellsOf(print.job().parts().get(i)).length)
                .toList();
        List<Sign> signs = signs("region-bare", lost.isEmpty() ? 0.5 : 0.85);
        signs = resin ? with(signs, "wet-under-vat", 0.7) : signs;
        signs = lost.size() < print.job().parts().size() && !lost.isEmpty() ? with(signs, "part-missing", 0.35) : signs;
        out.add(new Defect(
                causes,
                lost,
                lost.isEmpty(),
                0.02,
                dark,
                lost.isEmpty() ? with(signs, "hole-through", 0.6) : signs,
                0.1 * lost.size()));
    }

    private static void bits(Printing print, List<Defect> out) {
        Vat vat = print.machine().vat();
        Chance chance = print.chance();
        if (vat.bits() == 0 || !chance.happens(Math.min(0.75, 0.25 + vat.bits()))) {
            return;
        }
        int[] covered = print.covered();
        int at = vat.bitsAt().length > 0 && chance.happens(0.7)
                ? vat.bitsAt()[chance.below(vat.bitsAt().length)]
                : covered[chance.below(covered.length)];
        List<Integer> hit = print.partsOver(at);
        List<Sign> signs = signs("bits-in-vat", 0.85);
        if (hit.isEmpty()) {
            signs = chance.happens(0.5) ? with(signs, "region-bare", 0.4) : signs;
        } else {
            signs = switch (chance.below(4)) {
                case 0 -> with(signs, "pitted-face", 0.8);
                case 1 -> with(with(signs, "region-bare", 0.7), "part-missing", 0.6);
                case 2 -> with(signs, "hole-through", 0.6);
                default -> with(signs, "part-missing", 0.9);
            };
        }
        signs = chance.happens(0.15 * vat.bits()) ? with(signs, "crunch", 0.8) : signs;
        out.add(new Defect(
                List.of("debris-on-film"), hit, true, chance.between(0.01, 0.4), new int[] {at}, signs, 0.2));
    }

    private static void holes(Printing print, List<Defect> out) {
        Film film = print.machine().vat().film();
        List<Integer> dents = new ArrayList<>();
        for (int cell : print.covered()) {
            if (film.dented(cell) && print.chance().happens(0.12)) {
                dents.add(cell);
            }
        }
        if (!dents.isEmpty()) {
            out.add(new Defect(
                    List.of("film-worn"),
                    List.of(),
                    true,
                    0.3,
                    dents.stream().mapToInt(Integer::intValue).toArray(),
                    HoldingToPlate.withFilm(print, signs("pitted-face", 0.7, "film-cloudy", 0.6)),
                    0));
        }
        if (film.pierced()) {
            int[] near = print.machine().cells().around(film.piercedAt(), 6);
            List<Integer> hit = print.partsOver(film.piercedAt());
            List<Sign> signs = signs("wet-under-vat", 0.75);
            out.add(new Defect(
                    List.of("film-pierced"),
                    List.of(),
                    !hit.isEmpty(),
                    0.2,
                    near,
                    hit.isEmpty() ? signs : with(signs, "region-bare", 0.45),
                    0));
        } else if (print.machine().vat().wetOutside() && print.chance().happens(0.5)) {
            out.add(new Defect(List.of("spill"), List.of(), false, 0.1, new int[0], signs("wet-under-vat", 0.7), 0));
        }
    }
}
