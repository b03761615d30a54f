package keel.sim.story;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import keel.core.light.UvMap;
import keel.core.screen.GreyPhoto;
import keel.core.screen.ScreenInspection;
import keel.core.screen.TestPattern;
import keel.core.screen.TestPicture;
import keel.sim.shop.Happening;
import keel.sim.world.Machine;
import org.junit.jupiter.api.Test;

/** What the demo tells of its screens agrees with what is true behind it, and with itself. */
class ScreenStoryTest {

    private static final Story.Told TOLD = Stories.upTo("2026-03-12T14:20:00Z");

    private static <T extends Happening> List<T> of(Class<T> kind) {
        return TOLD.happenings().stream()
                .filter(kind::isInstance)
                .map(kind::cast)
                .toList();
    }

    private static List<Happening.ServiceDone> services(String kind) {
        return of(Happening.ServiceDone.class).stream()
                .filter(s -> s.kind().equals(kind))
                .toList();
    }

    @Test
    void everyScreenThatIsFittedWasBoughtBeforeAndIsFittedOnce() {
        Map<String, Happening.ScreenBought> bought = of(Happening.ScreenBought.class).stream()
                .collect(Collectors.toMap(Happening.ScreenBought::serial, b -> b));
        Set<Object> fitted = new HashSet<>();
        assertThat(services("SCREEN_CHANGE")).isNotEmpty().allSatisfy(s -> {
            Happening.ScreenBought spare = bought.get(s.values().get("spare"));
            assertThat(spare).isNotNull();
            assertThat(spare.at()).isBefore(s.at());
            assertThat(spare.model())
                    .startsWith(
                            TOLD.history().machines().get(s.machine()).site().widthMm() < 150
                                    ? "slate-144"
                                    : "slate-208");
            assertThat(fitted.add(s.values().get("spare"))).as("fitted once").isTrue();
        });
        assertThat(bought.size() - fitted.size()).as("spares on the shelf").isBetween(1, 5);
    }

    @Test
    void uvMapsFadeAsTheLightDoes() {
        Map<String, List<Happening.UvMapped>> maps =
                of(Happening.UvMapped.class).stream().collect(Collectors.groupingBy(Happening.UvMapped::machine));
        assertThat(maps).hasSize(4);
        maps.forEach((machine, all) -> {
            Machine m = TOLD.history().machines().get(machine);
            List<UvMap> read = all.stream()
                    .map(u ->
                            UvMap.of(u.readings(), m.site().widthMm(), m.site().depthMm()))
                    .toList();
            assertThat(read.get(read.size() - 1).mean())
                    .as(machine)
                    .isLessThan(read.get(0).mean() * 1.005);
            assertThat(read.get(read.size() - 1).mean())
                    .as(machine)
                    .isCloseTo(
                            3.2
                                    * m.light()
                                            .power(m.cells()
                                                    .at(
                                                            m.site().widthMm() / 2,
                                                            m.site().depthMm() / 2)),
                            within(0.06));
        });
    }

    /** The last photograph shows the spots that are there, and no others. */
    @Test
    void thePhotographsShowTheScreenAsItIs() throws IOException {
        List<Happening.ScreenPhotographed> photos = of(Happening.ScreenPhotographed.class);
        assertThat(photos).hasSize(2);
        assertThat(seen(photos.get(0)).spots()).hasSize(1);
        ScreenInspection last = seen(photos.get(1));
        Machine m = TOLD.history().machines().get(photos.get(1).machine());
        List<double[]> dark = m.screen().spots().stream()
                .filter(s -> !s.lit() && s.sizeMm() >= 1)
                .map(s -> new double[] {m.cells().xMm(s.cell()), m.cells().yMm(s.cell())})
                .toList();
        assertThat(last.spots()).hasSize(2).allSatisfy(p -> assertThat(dark)
                .anyMatch(d -> Math.hypot(d[0] - p.xMm(), d[1] - p.yMm()) < 1));
        assertThat(photos.get(1).typed())
                .as("white cannot show what stays lit")
                .singleElement()
                .satisfies(s -> assertThat(s.kind()).isEqualTo(ScreenInspection.SpotKind.LIT));
    }

    private static ScreenInspection seen(Happening.ScreenPhotographed p) throws IOException {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(p.png().bytes()));
        byte[] grey = new byte[image.getWidth() * image.getHeight()];
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                grey[y * image.getWidth() + x] = (byte) image.getRaster().getSample(x, y, 0);
            }
        }
        return ScreenInspection.of(
                new GreyPhoto(image.getWidth(), image.getHeight(), grey),
                TestPicture.of(TestPattern.WHITE, 5760, 3240),
                144,
                81);
    }

    /**
     * Whoever looks after the first spot was photographed finds it; nobody looks, meters or runs dry while it prints.
     */
    @Test
    void nothingContradictsThePhotographsAndNothingIsDoneToAScreenThatPrints() {
        Instant first = of(Happening.ScreenPhotographed.class).get(0).at();
        String machine = of(Happening.ScreenPhotographed.class).get(0).machine();
        assertThat(services("SCREEN_INSPECTED").stream()
                        .filter(s -> s.machine().equals(machine) && s.at().isAfter(first)))
                .allSatisfy(s -> assertThat(s.values().get("clean")).isEqualTo(false));
        assertThat(services("SCREEN_CHANGE").stream().filter(s -> s.machine().equals(machine) && s.at().isAfter(first)))
                .isEmpty();
        of(Happening.UvMapped.class).forEach(u -> idle(u.machine(), u.at()));
        of(Happening.ScreenPhotographed.class).forEach(p -> idle(p.machine(), p.at()));
        services("DRY_RUN").forEach(d -> idle(d.machine(), d.at()));
    }

    private static void idle(String machine, Instant at) {
        assertThat(of(Happening.RunDone.class))
                .noneMatch(r -> r.machine().equals(machine) && r.startedAt().isBefore(at) && r.at().isAfter(at));
    }
}
