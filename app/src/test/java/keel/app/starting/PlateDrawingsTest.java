package keel.app.starting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.app.standing.WearLevels;
import keel.app.standing.WearMaps;
import keel.app.starting.web.Preset;
import keel.core.Findings;
import keel.core.placement.Footprint;
import keel.core.placement.FootprintWords;
import keel.core.placement.PlacedPart;
import keel.core.placement.PlateCells;
import keel.core.placement.WearMap;
import keel.core.screen.ScreenInspection;
import org.junit.jupiter.api.Test;

/** What is drawn and said of a plate is what the map says. */
class PlateDrawingsTest {

    private static final PlateCells CELLS = new PlateCells(100, 50);
    private static final Pattern RUN = Pattern.compile("M([\\d.]+) ([\\d.]+)h([\\d.]+)v([\\d.]+)h-[\\d.]+z");

    private static WearMap map() {
        WearMap map = WearMap.empty(CELLS);
        map.add(new Footprint.Parts(List.of(PlacedPart.atCorner(0, 0, 50, 25))), 10, 1000);
        map.add(new Footprint.Parts(List.of(PlacedPart.atCorner(0, 0, 10, 10))), 10, 1000);
        return map;
    }

    private static Plate plate(WearMap map, List<Plate.Spot> spots) {
        Plate.Worn film = new Plate.Worn("F1", "Film F1", new WearMaps.Known(map, 25, 20, 3, 2));
        return new Plate("heron", "Heron", CELLS, film, null, spots, map.uvHours(), null);
    }

    /** Areas of the regions: all that is worn, then only the corner that has twice as much. */
    @Test
    void eachLevelCoversWhatIsWornMore() {
        List<String> paths = WearLevels.of(CELLS, map().uvHours()).paths();
        assertThat(paths).hasSize(4);
        assertThat(area(paths.get(0))).isCloseTo(1250, within(5.0));
        assertThat(area(paths.get(1))).isCloseTo(1250, within(5.0));
        assertThat(area(paths.get(2))).as("more than 60 % of the most").isCloseTo(100, within(1.0));
        assertThat(area(paths.get(3))).isCloseTo(100, within(1.0));
        Matcher first = RUN.matcher(paths.get(3));
        assertThat(first.find()).isTrue();
        assertThat(Double.parseDouble(first.group(2)))
                .as("front left, drawn below")
                .isBetween(39.9, 45.1);
        assertThat(WearLevels.of(CELLS, new double[CELLS.count()]).paths()).allMatch(String::isEmpty);
    }

    private static double area(String path) {
        double sum = 0;
        Matcher m = RUN.matcher(path);
        while (m.find()) {
            sum += Double.parseDouble(m.group(3)) * Double.parseDouble(m.group(4));
        }
        return sum;
    }

    @Test
    void theWorstCellAndTheJobAreDrawnWhereTheyAre() {
        PlacedPart job = new PlacedPart(75, 25, 20, 10, 90);
        PlateDrawing d = PlateDrawing.of(
                CELLS,
                map().uvHours(),
                List.of(
                        new Plate.Spot(30, 10, 4, "dent in the film", null),
                        Plate.Spot.of(new ScreenInspection.Spot(ScreenInspection.SpotKind.DARK, 60, 40, 0.5, 1))),
                List.of(job),
                List.of(),
                "words");
        assertThat(d.worst().x()).isLessThan(10);
        assertThat(d.worst().y()).as("from the top").isGreaterThan(40);
        assertThat(d.spots()).extracting(PlateDrawing.Spot::kind).containsExactly("film", "screen");
        assertThat(d.spots().get(0).y()).isEqualTo(40);
        assertThat(d.spots().get(1).rx()).as("a small one can still be seen").isGreaterThan(1);
        List<Double> xs = new ArrayList<>();
        for (String corner : d.places().get(0).points().split(" ")) {
            xs.add(Double.parseDouble(corner.split(",")[0]));
        }
        assertThat(xs).as("turned: 10 wide").allMatch(x -> Math.abs(Math.abs(x - 75) - 5) < 0.06);
        assertThat(d.places().get(0).words()).isEqualTo("20 × 10");
    }

    @Test
    void sentencesSayTheFigures() {
        Plate plate = plate(map(), List.of(new Plate.Spot(30, 10, 4, "dent in the film", null)));
        PlateView film = PlateView.of(plate, PlateView.Which.FILM, false, List.of(), List.of());
        assertThat(film.says()).startsWith("Film F1: 20.0 UV h at the worst").contains("unevenness");
        assertThat(film.placed()).isEqualTo("Of 25 UV h on record, 20 say where.");
        assertThat(film.drawing().words()).contains("1 to keep off");
        assertThat(PlateView.of(plate, PlateView.Which.FILM, true, List.of(), List.of())
                        .says())
                .contains("2000 peels at the worst");
        PlateView both = PlateView.of(
                plate, PlateView.Which.SCREEN, false, List.of(new PlacedPart(75, 25, 20, 10, 45)), List.of());
        assertThat(both.which()).as("there is no screen").isEqualTo(PlateView.Which.BOTH);
        assertThat(both.drawing().words())
                .contains("The job lies at 75 mm from the left, 25 mm from the front, turned by 45°.");
        Plate unworn = new Plate("heron", "Heron", CELLS, null, null, List.of(), new double[CELLS.count()], null);
        assertThat(PlateView.of(unworn, PlateView.Which.BOTH, false, List.of(), List.of())
                        .says())
                .startsWith("No run on this film or screen says yet");
    }

    @Test
    void presetsLieOnEveryPlate() {
        for (PlateCells cells :
                List.of(CELLS, new PlateCells(144, 81), new PlateCells(330, 190), new PlateCells(115, 115))) {
            for (Preset preset : Preset.of(cells)) {
                List<PlacedPart> parts = FootprintWords.parts(preset.lines(), "parts", new Findings());
                assertThat(parts)
                        .as(preset.name())
                        .isNotEmpty()
                        .allMatch(p -> p.within(cells.lengthMm(), cells.widthMm()));
            }
        }
    }
}
