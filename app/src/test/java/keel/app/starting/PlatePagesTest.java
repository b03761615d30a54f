package keel.app.starting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import keel.app.people.Role;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.standing.Footprints;
import keel.app.standing.Standings;
import keel.app.support.PageTest;
import keel.app.support.TestShop;
import keel.core.placement.Footprint;
import keel.core.placement.PlacedPart;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Where jobs are put, and where they lay. */
class PlatePagesTest extends PageTest {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final Footprint LEFT = new Footprint.Parts(List.of(PlacedPart.atCorner(0, 0, 70, 81)));

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Runs runs;

    @Autowired
    private Plates plates;

    @Autowired
    private JobPlaces places;

    @Autowired
    private Footprints footprints;

    @Autowired
    private Standings standings;

    private String machine;

    @BeforeEach
    void machine() {
        shop.people();
        machine = shop.maskMachine();
        shop.as("keeper");
    }

    private RunView run(double hour, Footprint footprint) {
        return runs.enter(new RunEntry(
                machine,
                "Latch pattern",
                TestShop.at(hour),
                TestShop.at(hour + 4),
                1000,
                1.8,
                50.0,
                "GOOD",
                null,
                null,
                null,
                null,
                footprint,
                null,
                null));
    }

    @Test
    void theLeastWornPlaceIsFoundAndHeldAgainstTheMiddle() {
        run(1, LEFT);
        String html = page("/machines/" + machine + "/plate?footprint=40x30");
        assertThat(html)
                .contains("100 % less worn than the middle")
                .contains("Start with it there")
                .contains("mm from the left");
        Plates.Advice advice =
                plates.advise(plates.of(machine), List.of(new keel.core.placement.Placement.Size(40, 30)));
        assertThat(advice.parts()).singleElement().satisfies(p -> assertThat(p.xMm() - p.halfAcross())
                .as("clear of what is worn")
                .isGreaterThanOrEqualTo(70));
        assertThat(page("/machines/" + machine + "/plate?show=SCREEN")).contains("0.5 UV h at the worst");
        assertThat(page("/machines/" + machine + "/plate?show=FILM&peels=true")).contains("1000 peels at the worst");
    }

    @Test
    void whatCannotBePlacedIsSaidSo() {
        assertThat(page("/machines/" + machine + "/plate?footprint=600x30")).contains("There is no place for it");
        assertThat(page("/machines/" + machine + "/plate?footprint=wide"))
                .contains("is no footprint")
                .contains("value=\"wide\"");
        assertThat(page("/machines/" + machine + "/plate?footprint=200 of 5x5")).contains("More than 60 footprints");
        assertThat(page("/machines/" + machine + "/plate?footprint=120x70, 100x70"))
                .contains("One found no place any more");
        assertThat(page("/machines/" + machine + "/plate"))
                .contains("No run on this film or screen says yet where it lay");
        assertThat(status("/machines/no-such-bird/plate")).isEqualTo(404);
    }

    @Test
    void dentsInTheFilmAndSpotsOnTheScreenAreKeptOff() {
        accepted(
                "/vats/" + shop.now(machine).vat().code() + "/inspect",
                "clouding",
                "CLEAR",
                "leak",
                "",
                "marks",
                "dent 72 40 4\nhaze 20 20 10",
                "note",
                "");
        shop.service(
                machine,
                "SCREEN_INSPECTED",
                9000,
                "clean",
                false,
                "spots",
                List.of(Map.of("xMm", 30, "yMm", 40, "sizeMm", 2), Map.of("words", "somewhere")));
        Plate plate = plates.of(machine);
        assertThat(plate.spots())
                .extracting(Plate.Spot::words)
                .containsExactlyInAnyOrder("dent in the film", "spot on the screen");
        PlacedPart place = plates.advise(plate, List.of(new keel.core.placement.Placement.Size(60, 50)))
                .parts()
                .get(0);
        assertThat(place.xMm() - place.halfAcross() >= 72 + 2 + 2
                        || place.xMm() + place.halfAcross() <= 72 - 2 - 2
                        || place.yMm() - place.halfDeep() >= 44
                        || place.yMm() + place.halfDeep() <= 36)
                .as("clear of the dent by 2 mm: " + place)
                .isTrue();
        assertThat(page("/machines/" + machine + "/plate")).contains("Kept off").contains("dent in the film");
    }

    @Test
    void whereOneAxisIsNotSmoothedPartsAreTurned() {
        accepted(
                "/quirks",
                "scope",
                "MACHINE",
                "holder",
                machine,
                "code",
                "quirk-smoothing-axis",
                "text",
                "Smooths along x only",
                "workaround",
                "Turn it by 45°");
        Plate plate = plates.of(machine);
        assertThat(plate.askew()).isEqualTo("Smooths along x only");
        assertThat(plates.advise(plate, List.of(new keel.core.placement.Placement.Size(40, 20)))
                        .parts()
                        .get(0)
                        .rotationDeg())
                .isIn(45, 135);
        assertThat(page("/machines/" + machine + "/plate?footprint=40x20")).contains("Turned by 45");
    }

    @Test
    void theGateTakesTheLeastWornPlaceAndTheRunKeepsIt() {
        run(1, LEFT);
        shop.service(machine, "PLATE_CLEARED", 9000);
        assertThat(page("/machines/" + machine + "/start"))
                .contains("As last time")
                .contains("less worn</strong> at the least worn place")
                .contains("35 40.5 70 81");
        assertThat(page("/machines/" + machine + "/start?job=Latch&layers=500&footprint=40x30&place=NONE"))
                .as("a size that is typed wants a place")
                .contains("value=\"BEST\" checked");
        String to =
                accepted("/machines/" + machine + "/start", job("footprint", "40 x 30", "place", "BEST", "parts", ""));
        Footprint kept = footprints.of(Long.parseLong(to.replaceAll("\\D", ""))).orElseThrow();
        assertThat(((Footprint.Parts) kept).parts()).singleElement().satisfies(p -> assertThat(p.xMm())
                .isGreaterThan(80));
    }

    @Test
    void theGateTakesWhatIsDrawnOrTheLastPlaceOrNothing() {
        RunView first = run(1, LEFT);
        JobPlaces.Asked last = new JobPlaces.Asked("latch pattern", "", "LAST", "");
        assertThat(places.footprint(standings.of(machine), last))
                .isEqualTo(footprints.of(first.id()).orElseThrow());
        assertThat(places.footprint(standings.of(machine), new JobPlaces.Asked("Latch pattern", "", "NONE", "")))
                .isNull();
        assertThat(places.footprint(standings.of(machine), new JobPlaces.Asked("Something else", null, null, null)))
                .isNull();
        Footprint drawn = places.footprint(
                standings.of(machine), new JobPlaces.Asked("Latch pattern", "", "OWN", "100 40 30 20 45"));
        assertThat(((Footprint.Parts) drawn).parts()).containsExactly(new PlacedPart(100, 40, 30, 20, 45));
    }

    @Test
    void theGateRefusesAPlaceThatIsNoneAndKeepsWhatWasTyped() {
        String html = refused(
                422,
                "is no footprint",
                "/machines/" + machine + "/start",
                job("footprint", "forty by thirty", "place", "BEST", "parts", ""));
        assertThat(html).contains("value=\"forty by thirty\"").contains("value=\"Hinge\"");
        refused(
                422,
                "There is no place left for all of it",
                "/machines/" + machine + "/start",
                job("footprint", "300x20", "place", "BEST", "parts", ""));
        refused(
                422,
                "does not lie on the plate",
                "/machines/" + machine + "/start",
                job("footprint", "", "place", "OWN", "parts", "10 10 60 40"));
        assertThat(shop.now(machine).run()).isNull();
    }

    private static String[] job(String... more) {
        List<String> fields = new ArrayList<>(List.of(
                "job",
                "Hinge",
                "layers",
                "500",
                "layerExposureS",
                "2",
                "resinMl",
                "20",
                "looked",
                "plate-seen",
                "looked",
                "vat-felt",
                "looked",
                "resin-stirred",
                "looked",
                "file-and-air",
                "looked",
                "resin-enough"));
        fields.addAll(Arrays.asList(more));
        return fields.toArray(String[]::new);
    }

    @Test
    void whereARunLayCanBeSaidAfterwards() {
        RunView run = run(1, null);
        assertThat(page("/runs/" + run.id())).contains("Say where on the plate it lay");
        assertThat(page("/runs/" + run.id() + "/footprint"))
                .contains("Nobody said yet")
                .contains("A row of four");
        accepted("/runs/" + run.id() + "/footprint", "parts", "36 40 60 60\n100 40 40 30 45");
        assertThat(page("/runs/" + run.id()))
                .contains("Where on the plate it lay: 2 rectangles")
                .contains("Where Latch pattern lies on the plate: 2 rectangles.");
        refused(422, "is no rectangle", "/runs/" + run.id() + "/footprint", "parts", "36 40 wide");
        refused(422, "Nothing is drawn yet", "/runs/" + run.id() + "/footprint", "parts", " ");
        refused(422, "does not lie on the plate", "/runs/" + run.id() + "/footprint", "parts", "0 0 50 50");
        accepted("/runs/" + run.id() + "/footprint/forget");
        assertThat(footprints.of(run.id())).isEmpty();
    }

    @Test
    void masksOfLayersAreReadFromAPictureOrAZip() throws Exception {
        RunView run = run(1, null);
        assertThat(upload(run, "sum.png", picture(288, 162, 0, 81, 144, 81, new Color(102, 102, 102)))
                        .getStatus())
                .isEqualTo(302);
        Footprint.Masks sum = (Footprint.Masks) footprints.of(run.id()).orElseThrow();
        assertThat(sum.light()[0])
                .as("the front left quarter, in 40 % of the layers")
                .isCloseTo(0.4, within(0.01));
        assertThat(sum.light()[sum.across() - 1]).isZero();
        Map<String, byte[]> layers = new LinkedHashMap<>();
        layers.put("readme.txt", "not a layer".getBytes());
        for (int i = 0; i < 130; i++) {
            layers.put("layers/" + i + ".png", picture(96, 54, i < 65 ? 0 : 48, 0, 48, 54, Color.WHITE));
        }
        assertThat(upload(run, "layers.zip", zip(layers)).getStatus()).isEqualTo(302);
        Footprint.Masks halves = (Footprint.Masks) footprints.of(run.id()).orElseThrow();
        assertThat(halves.light()[0]).as("lit in half of the layers").isCloseTo(0.5, within(0.02));
        assertThat(halves.peel()[halves.across() - 1]).isCloseTo(0.5, within(0.02));
        shop.as("keeper");
        assertThat(page("/runs/" + run.id() + "/footprint"))
                .contains("Known from the masks of its layers: 50 % of the plate");
    }

    @Test
    void whatIsNoMaskIsSaidSoAndNothingIsLost() throws Exception {
        RunView run = run(1, LEFT);
        byte[] good = picture(96, 54, 0, 0, 48, 54, Color.WHITE);
        Map<String, byte[]> hostile = new LinkedHashMap<>();
        hostile.put("No file was chosen", new byte[0]);
        hostile.put("no PNG and no ZIP", "%PDF-1.7 and so on".getBytes());
        hostile.put("is damaged", Arrays.copyOf(good, good.length / 2));
        hostile.put("There is no PNG in that ZIP", zip(Map.of("a.txt", good)));
        hostile.put("is no PNG, whatever its name says", zip(Map.of("a.png", "text".getBytes())));
        Map<String, byte[]> two = new LinkedHashMap<>();
        two.put("1.png", good);
        two.put("2.png", picture(40, 40, 0, 0, 40, 40, Color.WHITE));
        hostile.put("is not as large as the layers before it", zip(two));
        hostile.put("Nothing is lit", picture(96, 54, 0, 0, 0, 0, Color.WHITE));
        byte[] whole = zip(Map.of("1.png", good));
        hostile.put("damaged and cannot be read", Arrays.copyOf(whole, whole.length / 3));
        for (Map.Entry<String, byte[]> file : hostile.entrySet()) {
            MockHttpServletResponse refused = upload(run, "x", file.getValue());
            assertThat(refused.getStatus()).as(file.getKey()).isEqualTo(422);
            assertThat(refused.getContentAsString()).contains(file.getKey());
        }
        assertThat(footprints.of(run.id()).orElseThrow()).isEqualTo(LEFT);
    }

    @Test
    void programsPlaceRunsToo() throws Exception {
        String token = shop.token(Role.OPERATOR);
        String entry =
                """
                {"machine":"%s","job":"Hinge","startedAt":"2025-02-01T08:00:00Z","endedAt":"2025-02-01T11:00:00Z",\
                "layers":1000,"layerExposureS":1.8,"resinMl":20,"outcome":"GOOD",
                 "footprint":[{"xMm":36,"yMm":40,"lengthMm":60,"widthMm":60},{"xMm":110,"yMm":40,"lengthMm":20,\
                "widthMm":20,"rotationDeg":45}]}"""
                        .formatted(machine);
        JsonNode run = json(send(MockMvcRequestBuilders.post("/api/v1/runs"), entry, token));
        long id = run.get("id").asLong();
        JsonNode kept = json(send(MockMvcRequestBuilders.get("/api/v1/runs/" + id + "/footprint"), "", token));
        assertThat(kept).hasSize(2);
        assertThat(kept.at("/1/rotationDeg").asInt()).isEqualTo(45);
        JsonNode moved = json(send(
                MockMvcRequestBuilders.put("/api/v1/runs/" + id + "/footprint"),
                "[{\"xMm\":100,\"yMm\":40,\"lengthMm\":30,\"widthMm\":20}]",
                token));
        assertThat(moved.at("/0/xMm").asDouble()).isEqualTo(100);
        assertThat(send(
                                MockMvcRequestBuilders.put("/api/v1/runs/" + id + "/footprint"),
                                "[{\"xMm\":-5,\"yMm\":40,\"lengthMm\":30,\"widthMm\":20}]",
                                token)
                        .getStatus())
                .isEqualTo(422);
        assertThat(send(
                                MockMvcRequestBuilders.put("/api/v1/runs/" + id + "/footprint"),
                                "[{\"xMm\":140,\"yMm\":40,\"lengthMm\":30,\"widthMm\":20}]",
                                token)
                        .getStatus())
                .isEqualTo(422);
        assertThat(json(send(MockMvcRequestBuilders.put("/api/v1/runs/" + id + "/footprint"), "[]", token)))
                .isEmpty();
        assertThat(send(MockMvcRequestBuilders.get("/api/v1/runs/99999999/footprint"), "", token)
                        .getStatus())
                .isEqualTo(404);
    }

    private MockHttpServletResponse send(
            org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder request,
            String body,
            String token)
            throws Exception {
        return mvc.perform(request.header("Authorization", "Bearer " + token)
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
    }

    private static JsonNode json(MockHttpServletResponse response) throws IOException {
        assertThat(response.getStatus()).as(response.getContentAsString()).isBetween(200, 201);
        return JSON.readTree(response.getContentAsString());
    }

    private MockHttpServletResponse upload(RunView run, String name, byte[] bytes) throws Exception {
        shop.as("keeper");
        return mvc.perform(MockMvcRequestBuilders.multipart("/runs/" + run.id() + "/footprint/masks")
                        .file(new MockMultipartFile("file", name, null, bytes))
                        .with(SecurityMockMvcRequestPostProcessors.csrf())
                        .with(SecurityMockMvcRequestPostProcessors.authentication(
                                SecurityContextHolder.getContext().getAuthentication())))
                .andReturn()
                .getResponse();
    }

    private static byte[] picture(int width, int height, int x, int y, int w, int h, Color colour) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        for (int py = y; py < y + h; py++) {
            for (int px = x; px < x + w; px++) {
                image.getRaster().setSample(px, py, 0, colour.getRed());
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private static byte[] zip(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue());
                zip.closeEntry();
            }
        }
        return out.toByteArray();
    }
}
