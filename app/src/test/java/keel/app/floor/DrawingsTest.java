package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import keel.app.floor.web.Fortnight;
import keel.app.floor.web.LifeStrips;
import keel.app.floor.web.PlateMap;
import keel.app.prints.Printed;
import keel.app.standing.LifeStrip;
import keel.app.standing.MachineNow;
import keel.app.standing.PartsReading;
import keel.app.standing.StackDrawing;
import keel.app.support.AppTest;
import keel.app.support.TestShop;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineState;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.beans.factory.annotation.Autowired;

/** The drawings say what the records say. */
class DrawingsTest extends AppTest {

    private static final ZoneId UTC = ZoneId.of("UTC");

    @Autowired
    private PartsReading parts;

    private StackDrawing drawing(MachineNow m) {
        return StackDrawing.of(m, Instant.now());
    }

    @Test
    void wearIsAsLongAsItsShareOfLife() {
        String m = shop.maskMachine();
        shop.run(m, 1, 90);
        StackDrawing d = drawing(shop.now(m));
        double used = width(d, "used");
        assertThat(used / d.frame().film().w()).as("90 of 450 h").isCloseTo(0.2, within(0.005));
        assertThat(d.words()).contains("film 90 of about 450 h");
    }

    @Test
    void whatIsWrongIsMarkedWhereItIsWrong() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        shop.failure(m, 6, "wet-under-vat");
        StackDrawing d = drawing(shop.now(m));
        assertThat(d.shapes()).extracting(StackDrawing.Shape::style).contains("print", "drop");
        assertThat(d.marks())
                .allMatch(k -> k.state() == MachineState.HOLD)
                .anyMatch(k -> Math.abs(k.y() - d.frame().film().middleY()) < 1)
                .anyMatch(k -> Math.abs(k.y() - d.frame().plate().middleY()) < 1);
        shop.service(m, "FILM_CHANGE", 8, "material", "FEP", "thicknessMm", 0.127, "endReason", "PIERCED");
        assertThat(drawing(shop.now(m)).shapes().stream()
                        .filter(s -> s.style().equals("solid"))
                        .findFirst()
                        .orElseThrow()
                        .d())
                .as("not levelled: the plate is drawn askew")
                .contains("L");
    }

    @ParameterizedTest
    @EnumSource(MachineKind.class)
    void eachKindIsDrawnAsWhatItIs(MachineKind kind) {
        StackDrawing d = drawing(shop.now(shop.machine(kind, false)));
        List<String> styles = d.shapes().stream().map(StackDrawing.Shape::style).toList();
        assertThat(styles.contains("hatched")).as("a screen that wears").isEqualTo(kind == MachineKind.MASK);
        assertThat(styles.contains("beam")).isEqualTo(kind == MachineKind.LASER_TANK);
        assertThat(d.shapes())
                .allSatisfy(s -> assertThat(s.d()).doesNotContain("NaN").startsWith("M"));
    }

    @Test
    void aFortnightCountsEachDayAndSaysWhatStandsOut() {
        Instant now = Instant.parse("2026-03-12T14:20:00Z");
        List<Printed> printed = new ArrayList<>();
        for (int day = 0; day < 8; day++) {
            printed.add(new Printed("bittern", now.minus(Duration.ofDays(day)), 8, day % 2 == 0));
            printed.add(new Printed("avocet", now.minus(Duration.ofDays(day)), 4, false));
        }
        Fortnight fortnight = new Fortnight(printed, now, UTC);
        assertThat(fortnight.of("bittern").bars())
                .hasSize(8)
                .filteredOn(Fortnight.Bar::bad)
                .hasSize(4);
        assertThat(fortnight.of("avocet").words()).isEqualTo("8 prints in fourteen days, all came out.");
        assertThat(fortnight.of("heron").bars()).isEmpty();
        assertThat(fortnight.sentence(Map.of("bittern", "Bittern")))
                .isEqualTo("16 prints in fourteen days, 12 came out. Bittern lost 4 of 8.");
    }

    @Test
    void livesRunFromFittingToEndAndTheRestFades() {
        String m = shop.maskMachine();
        for (int day = 0; day < 5; day++) {
            shop.run(m, 24 * day + 1, 10);
        }
        shop.filmChange(m, 24 * 10);
        Instant now = TestShop.at(24 * 20);
        LifeStrips lives =
                LifeStrips.of(shop.now(m), parts.spans(shop.now(m).id()), List.of(TestShop.at(24 * 5)), now, UTC);
        List<LifeStrip.Bar> films = lives.rows().get(0).bars();
        assertThat(films).hasSize(2);
        assertThat(films.get(0).cause()).isEqualTo("clouded");
        assertThat(films.get(0).w()).as("half of the time up to now").isCloseTo(lives.now() / 2, within(1.0));
        assertThat(films.get(1).current()).isTrue();
        assertThat(lives.failures().get(0)).isCloseTo(lives.now() / 4, within(1.0));
    }

    @Test
    void thePlateMapHasItsFrontBelow() {
        PlateMap map = PlateMap.of(144, 80, Map.of("A1", 4, "F4", 1));
        PlateMap.Cell frontLeft = map.cells().stream()
                .filter(c -> c.zone().equals("A1"))
                .findFirst()
                .orElseThrow();
        assertThat(frontLeft.x()).isZero();
        assertThat(frontLeft.y()).isEqualTo(60);
        assertThat(frontLeft.density()).isEqualTo(4);
        assertThat(map.cells())
                .hasSize(24)
                .filteredOn(c -> c.zone().equals("F4"))
                .singleElement()
                .satisfies(c -> assertThat(c.density()).isEqualTo(1));
        assertThat(map.words()).contains("A1 4");
    }

    private static double width(StackDrawing d, String style) {
        String path = d.shapes().stream()
                .filter(s -> s.style().equals(style))
                .findFirst()
                .orElseThrow()
                .d();
        double left = Double.parseDouble(path.substring(1, path.indexOf(' ')));
        return Double.parseDouble(path.substring(path.indexOf('H') + 1, path.indexOf('V'))) - left;
    }
}
