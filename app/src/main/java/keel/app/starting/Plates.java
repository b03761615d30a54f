package keel.app.starting;

import java.util.ArrayList;
import java.util.List;
import keel.app.fleet.Quirks;
import keel.app.fleet.ShopSettings;
import keel.app.standing.MachineNow;
import keel.app.standing.PartView;
import keel.app.standing.Standings;
import keel.app.standing.WearMaps;
import keel.core.life.LifeClock;
import keel.core.placement.PlacedPart;
import keel.core.placement.Placement;
import keel.core.placement.PlateCells;
import keel.core.placement.SharedWear;
import keel.core.placement.WearGrid;
import keel.core.placement.WearMap;
import keel.core.standing.ChangeCosts;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts plates together from wear maps, inspections and quirks, and says where a job is best put. */
@Service
@Transactional(readOnly = true)
public class Plates {

    private static final String ONE_AXIS = "quirk-smoothing-axis";

    private final Standings standings;
    private final WearMaps wear;
    private final Quirks quirks;
    private final ShopSettings settings;
    private final PlateSpots spots;

    Plates(Standings standings, WearMaps wear, Quirks quirks, ShopSettings settings, PlateSpots spots) {
        this.standings = standings;
        this.wear = wear;
        this.quirks = quirks;
        this.settings = settings;
        this.spots = spots;
    }

    /** @throws keel.app.base.NotThere if there is no such machine */
    public Plate of(String machine) {
        return of(standings.of(machine));
    }

    public Plate of(MachineNow m) {
        PlateCells cells = new PlateCells(m.plateWidthMm(), m.plateDepthMm());
        Plate.Worn film = worn(m.film(), m.kind().lining() + " ");
        Plate.Worn screen = worn(m.screen(), "Screen ");
        List<Plate.Spot> kept = spots.of(List.of(m)).get(m.code());
        String askew = quirks.of(m.code()).stream()
                .filter(q -> ONE_AXIS.equals(q.code()))
                .map(q -> q.text())
                .findFirst()
                .orElse(null);
        return new Plate(m.code(), m.name(), cells, film, screen, kept, shared(m, cells, film, screen), askew);
    }

    private Plate.Worn worn(PartView part, String words) {
        return part == null
                ? null
                : wear.of(part.id())
                        .map(known -> new Plate.Worn(part.code(), words + part.code(), known))
                        .orElse(null);
    }

    private double[] shared(MachineNow m, PlateCells cells, Plate.Worn film, Plate.Worn screen) {
        Defaults defaults = settings.defaults();
        List<SharedWear.Layer> layers = new ArrayList<>();
        if (film != null) {
            layers.add(layer(film.known().map(), m.liningUse(), m.uvShare(), defaults));
        }
        if (screen != null) {
            layers.add(layer(screen.known().map(), m.screenUse(), m.uvShare(), defaults));
        }
        return layers.isEmpty() ? new double[cells.count()] : SharedWear.of(layers);
    }

    private static SharedWear.Layer layer(WearMap map, PartUse use, double uvShare, Defaults defaults) {
        boolean byPeels = use.life().clock() == LifeClock.PEELS;
        double share = uvShare > 0 ? uvShare : defaults.value("uv.share");
        double typical = byPeels ? 1000 * use.life().full() : use.life().typicalUvHours(share);
        return new SharedWear.Layer(
                map,
                byPeels,
                typical,
                Math.max(0.01, ChangeCosts.of(defaults, use.part()).plannedCost()));
    }

    /**
     * Where footprints are best put.
     *
     * @param places one for each, in their order; null where none is left
     * @param wear share of a usual life used up under them, on average over their area; {@code inTheMiddle} the same in
     *     the middle of the plate
     */
    public record Advice(List<Placement.Size> sizes, List<Placement> places, double wear, double inTheMiddle) {

        public List<PlacedPart> parts() {
            List<PlacedPart> parts = new ArrayList<>();
            for (int i = 0; i < places.size(); i++) {
                if (places.get(i) != null) {
                    parts.add(places.get(i)
                            .part(sizes.get(i).lengthMm(), sizes.get(i).widthMm()));
                }
            }
            return parts;
        }

        /** How many found no place. */
        public long left() {
            return places.stream().filter(p -> p == null).count();
        }

        /** What it saves against the middle, as a share; 0 where the middle is not worn. */
        public double saves() {
            return inTheMiddle > 0 ? 1 - wear / inTheMiddle : 0;
        }
    }

    /** @param sizes at least one */
    public Advice advise(Plate plate, List<Placement.Size> sizes) {
        PlateCells cells = plate.cells();
        Placement.Question q = new Placement.Question(
                cells.lengthMm(),
                cells.widthMm(),
                sizes.get(0).lengthMm(),
                sizes.get(0).widthMm(),
                Plate.MARGIN_MM,
                plate.spots().stream().flatMap(s -> s.spots().stream()).toList(),
                WearGrid.of(cells.lengthMm(), cells.widthMm(), WearMap.rows(cells, plate.shared())),
                plate.askew() != null,
                List.of());
        List<Placement> places = Placement.several(q, sizes);
        double area = 0;
        double wear = 0;
        double middle = 0;
        for (int i = 0; i < sizes.size(); i++) {
            if (places.get(i) != null) {
                double part = sizes.get(i).lengthMm() * sizes.get(i).widthMm();
                area += part;
                wear += part * places.get(i).wear();
                middle += part * places.get(i).wearAtCentre();
            }
        }
        return new Advice(sizes, places, area == 0 ? 0 : wear / area, area == 0 ? 0 : middle / area);
    }
}
