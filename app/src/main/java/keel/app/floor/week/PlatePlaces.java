package keel.app.floor.week;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.prints.JobEntry;
import keel.app.standing.MachineNow;
import keel.app.starting.Plate;
import keel.app.starting.PlateSpots;
import keel.core.placement.Placement;
import keel.core.placement.WearGrid;
import org.springframework.stereotype.Component;

/** Whether a job has a place on a plate clear of the spots of its screen and the marks in its film. */
@Component
class PlatePlaces {

    private static final int KEPT = 5_000;
    private static final double[][] EVEN = {{0}};

    private final PlateSpots spots;
    private final Cache<Tried, Boolean> tried =
            Caffeine.newBuilder().maximumSize(KEPT).build();
    private volatile Map<String, List<Placement.Spot>> seen = Map.of();

    PlatePlaces(PlateSpots spots) {
        this.spots = spots;
    }

    private record Tried(double plateWidth, double plateDepth, double width, double depth, List<Placement.Spot> off) {}

    /** Reads anew what is to be kept off. */
    void look(List<MachineNow> machines) {
        seen = spots.of(machines).entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().stream()
                        .flatMap(s -> s.spots().stream())
                        .toList()));
    }

    /** Of a size that nobody said nothing is kept off. */
    boolean clear(JobEntry.Size size, MachineNow m) {
        List<Placement.Spot> off = seen.getOrDefault(m.code(), List.of());
        if (off.isEmpty() || !said(size.widthMm()) || !said(size.depthMm())) {
            return true;
        }
        Tried asked = new Tried(m.plateWidthMm(), m.plateDepthMm(), size.widthMm(), size.depthMm(), off);
        return tried.get(asked, PlatePlaces::place);
    }

    private static boolean said(Double side) {
        return side != null && side > 0;
    }

    private static boolean place(Tried t) {
        WearGrid even = WearGrid.of(t.plateWidth(), t.plateDepth(), EVEN);
        return Placement.best(new Placement.Question(
                        t.plateWidth(),
                        t.plateDepth(),
                        t.width(),
                        t.depth(),
                        Plate.MARGIN_MM,
                        t.off(),
                        even,
                        false,
                        List.of()))
                != null;
    }
}
