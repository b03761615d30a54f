package keel.app.starting;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.film.FilmLooks;
import keel.app.screen.ScreenSpots;
import keel.app.standing.MachineNow;
import keel.app.standing.PartView;
import keel.core.film.FilmMark;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What jobs keep off on machines' plates: marks of the film as it was looked at last, spots of the screen likewise. */
@Service
@Transactional(readOnly = true)
public class PlateSpots {

    private final FilmLooks looks;
    private final ScreenSpots screens;

    PlateSpots(FilmLooks looks, ScreenSpots screens) {
        this.looks = looks;
        this.screens = screens;
    }

    /** By the machines' codes. */
    public Map<String, List<Plate.Spot>> of(Collection<MachineNow> machines) {
        Map<Long, FilmLooks.Look> latest = looks.latest();
        Map<Long, List<ScreenSpots.Last>> inspected = screens.lastTwo();
        Map<String, List<Plate.Spot>> spots = new HashMap<>();
        for (MachineNow m : machines) {
            List<Plate.Spot> here = new ArrayList<>(marks(m.film(), latest));
            if (m.screen() != null) {
                inspected.getOrDefault(m.id(), List.of()).stream()
                        .limit(1)
                        .flatMap(last -> last.spots().stream())
                        .forEach(s -> here.add(Plate.Spot.of(s)));
            }
            spots.put(m.code(), List.copyOf(here));
        }
        return spots;
    }

    private static List<Plate.Spot> marks(PartView film, Map<Long, FilmLooks.Look> latest) {
        FilmLooks.Look look = film == null ? null : latest.get(film.id());
        return look == null
                ? List.of()
                : look.marks().stream()
                        .filter(k -> k.kind() != FilmMark.MarkKind.HAZE)
                        .map(k -> new Plate.Spot(
                                k.xMm(),
                                k.yMm(),
                                k.sizeMm(),
                                String.format(
                                        Locale.ROOT,
                                        "%s in the film",
                                        k.kind().words().toLowerCase(Locale.ROOT)),
                                null))
                        .toList();
    }
}
