package keel.app.starting;

import java.util.List;
import keel.app.film.FilmLooks;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.film.FilmMark;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How many dents of a machine's film lie under a job's footprint. */
@Service
@Transactional(readOnly = true)
public class DentsUnder {

    private final Standings standings;
    private final Fleet fleet;
    private final FilmLooks looks;

    DentsUnder(Standings standings, Fleet fleet, FilmLooks looks) {
        this.standings = standings;
        this.fleet = fleet;
        this.looks = looks;
    }

    /** @param lengths length and width in the middle of the plate, or x, y, length and width, mm; empty for none */
    public int under(String machine, List<Double> lengths) {
        if (lengths.isEmpty()) {
            return 0;
        }
        MachineNow m = standings.of(machine);
        if (m.film() == null) {
            return 0;
        }
        MachineRef ref = fleet.machine(machine);
        boolean placed = lengths.size() == 4;
        double x = placed ? lengths.get(0) : ref.plateWidthMm() / 2;
        double y = placed ? lengths.get(1) : ref.plateDepthMm() / 2;
        double halfLength = lengths.get(placed ? 2 : 0) / 2;
        double halfWidth = lengths.get(placed ? 3 : 1) / 2;
        return looks.of(m.film().id()).stream()
                .findFirst()
                .map(l -> (int) l.marks().stream()
                        .filter(k -> k.kind() == FilmMark.MarkKind.DENT)
                        .filter(k -> Math.abs(k.xMm() - x) <= halfLength + k.sizeMm() / 2
                                && Math.abs(k.yMm() - y) <= halfWidth + k.sizeMm() / 2)
                        .count())
                .orElse(0);
    }
}
