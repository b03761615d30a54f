package keel.app.screen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBuffer;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.Collections;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import keel.app.people.Role;
import keel.app.support.PageTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMultipartHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Screens and spares for programs. Photographs here are made by Java 2D: turned, reduced, and saved as JPEG. */
class ScreenApiTest extends PageTest {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int PX = 2560;
    private static final int PY = 1620;

    @Autowired
    private MockMvc api;

    private String token;

    @BeforeEach
    void token() {
        shop.people();
        token = shop.token(Role.OPERATOR);
    }

    @ParameterizedTest
    @ValueSource(strings = {"WHITE", "BLACK", "GRID", "CHECKER", "LINES_X", "LINES_Y", "RAMP_X", "RAMP_Y"})
    void aTestPictureHasExactlyItsPixelsAndItsMarks(String pattern) throws Exception {
        BufferedImage image = picture(pattern, 1440, 810);
        assertThat(image.getWidth()).isEqualTo(1440);
        assertThat(image.getHeight()).isEqualTo(810);
        for (int[] corner : new int[][] {{0, 0}, {1340, 0}, {0, 710}, {1340, 710}}) {
            int dark = 0;
            int lit = 0;
            for (int y = corner[1]; y < corner[1] + 100; y++) {
                for (int x = corner[0]; x < corner[0] + 100; x++) {
                    int grey = image.getRaster().getSample(x, y, 0);
                    dark += grey < 50 ? 1 : 0;
                    lit += grey > 200 ? 1 : 0;
                }
            }
            assertThat(dark).as("a dark mark").isGreaterThan(2000);
            assertThat(lit).as("on white").isGreaterThan(2000);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "MAUVE,2000,1000",
        "WHITE,0,1000",
        "WHITE,2000,-4",
        "WHITE,20001,1000",
        "WHITE,20000,20000",
        ",2000,1000",
        "WHITE,,1000"
    })
    void aPictureThatCannotBeIsRefused(String pattern, String x, String y) throws Exception {
        assertThat(call(
                                MockMvcRequestBuilders.get("/api/v1/screen/test-picture")
                                        .param("pattern", pattern == null ? "" : pattern)
                                        .param("pixelsX", x == null ? "" : x)
                                        .param("pixelsY", y),
                                "")
                        .getStatus())
                .isEqualTo(422);
    }

    @Test
    void aPhotographTellsWhereASpotIs() throws Exception {
        BufferedImage photo = photograph(picture("WHITE", PX, PY), 0.62, 4);
        JsonNode seen = json(inspect(jpeg(photo), "WHITE", PX, PY));
        assertThat(seen.get("found").asBoolean()).as(seen.toString()).isTrue();
        assertThat(seen.get("spots")).hasSize(1);
        assertThat(seen.at("/spots/0/kind").asText()).isEqualTo("DARK");
        assertThat(seen.at("/spots/0/xMm").asDouble()).isCloseTo(40, within(1.0));
        assertThat(seen.at("/spots/0/yMm").asDouble()).isCloseTo(25, within(1.0));
        assertThat(seen.at("/spots/0/sizeMm").asDouble()).isCloseTo(3, within(0.5));
        assertThat(seen.get("printableShare").asDouble()).isBetween(0.99, 1.0);
        JsonNode turned = json(inspect(jpeg(photograph(picture("WHITE", PX, PY), 0.6, 92)), "WHITE", PX, PY));
        assertThat(turned.at("/spots/0/xMm").asDouble())
                .as("on its side the marks still tell")
                .isCloseTo(40, within(1.0));
    }

    @Test
    void whatIsNoPhotographOfIt() throws Exception {
        byte[] good = jpeg(photograph(picture("WHITE", PX, PY), 0.5, 2));
        JsonNode other = json(inspect(png(new BufferedImage(900, 600, BufferedImage.TYPE_INT_RGB)), "WHITE", PX, PY));
        assertThat(other.get("found").asBoolean()).isFalse();
        assertThat(other.get("message").asText()).contains("No corner marks");
        assertThat(other.get("spots")).isEmpty();
        assertThat(other.get("printableShare").isNull()).isTrue();
        assertThat(json(inspect(good, "WHITE", 3840, 2160)).get("found").asBoolean())
                .as("another resolution stated")
                .isFalse();
        assertThat(inspect("GIF89a not read".getBytes(), "WHITE", PX, PY).getStatus())
                .isEqualTo(415);
        assertThat(inspect(Arrays.copyOf(good, 300), "WHITE", PX, PY).getStatus())
                .isEqualTo(422);
        assertThat(inspect(bomb(), "WHITE", PX, PY).getStatus()).isEqualTo(413);
        assertThat(inspect(good, "NONE", PX, PY).getStatus()).isEqualTo(422);
        assertThat(inspect(new byte[0], "WHITE", PX, PY).getStatus()).isEqualTo(422);
    }

    /** Four inks, as for a press, the usual way round: 255 is no ink; black carries the picture. */
    @Test
    void aPictureForAPrintingPressIsReadToo() throws Exception {
        BufferedImage photo = photograph(picture("WHITE", PX, PY), 0.6, 2);
        WritableRaster inks =
                Raster.createInterleavedRaster(DataBuffer.TYPE_BYTE, photo.getWidth(), photo.getHeight(), 4, null);
        for (int y = 0; y < photo.getHeight(); y++) {
            for (int x = 0; x < photo.getWidth(); x++) {
                inks.setPixel(x, y, new int[] {255, 255, 255, photo.getRGB(x, y) >> 8 & 255});
            }
        }
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ImageOutputStream to = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(to);
            writer.write(new IIOImage(inks, null, null));
        }
        JsonNode seen = json(inspect(out.toByteArray(), "WHITE", PX, PY));
        assertThat(seen.get("found").asBoolean()).as(seen.toString()).isTrue();
        assertThat(seen.at("/spots/0/xMm").asDouble()).isCloseTo(40, within(1.0));
    }

    @Test
    void aDryRunIsHeldAgainstTheProfile() throws Exception {
        String profile = "\"profile\":{\"liftMm\":6,\"liftMmPerMin\":60,\"retractMmPerMin\":180,\"waitBeforeS\":0.5,"
                + "\"waitAfterS\":1,\"exposureS\":2.4}";
        JsonNode answer = json(call(
                MockMvcRequestBuilders.post("/api/v1/screen/dry-run"),
                "{" + profile + ",\"readings\":[{\"kind\":\"LIFT_S\",\"value\":6.3,\"uncertainty\":0.2},"
                        + "{\"kind\":\"RETRACT_S\",\"value\":3.1,\"uncertainty\":0.2},"
                        + "{\"kind\":\"EXPOSURE_S\",\"value\":2.8,\"uncertainty\":0.2},{\"kind\":\"LIFT_MM\","
                        + "\"value\":6,"
                        + "\"uncertainty\":0}]}"));
        JsonNode d = answer.get("differences");
        assertThat(d).hasSize(4);
        assertThat(d.at("/0/expected").asDouble()).isEqualTo(6);
        assertThat(d.at("/0/significant").asBoolean()).isFalse();
        assertThat(d.at("/1/expected").asDouble()).isEqualTo(2);
        assertThat(d.at("/1/significant").asBoolean()).isTrue();
        assertThat(d.at("/2/significant").asBoolean())
                .as("0.4 is twice 0.2, not beyond")
                .isFalse();
        assertThat(d.at("/3/significant").asBoolean()).isFalse();
        for (String wrong : new String[] {
            "{\"readings\":[]}",
            "{" + profile + "}",
            "{" + profile + ",\"readings\":[{\"kind\":\"LIFT_S\",\"value\":-1,\"uncertainty\":0.2}]}",
            "{" + profile + ",\"readings\":[{\"kind\":\"LIFT_S\",\"value\":1}]}",
            "{\"profile\":{\"liftMm\":6},\"readings\":[{\"kind\":\"LIFT_S\",\"value\":1,\"uncertainty\":0.2}]}",
            "{\"profile\":{\"liftMm\":6,\"liftMmPerMin\":0},\"readings\":[]}"
        }) {
            assertThat(call(MockMvcRequestBuilders.post("/api/v1/screen/dry-run"), wrong)
                            .getStatus())
                    .as(wrong)
                    .isEqualTo(422);
        }
    }

    /** Mean 0.05 · 24: any Poisson table. */
    @Test
    void sparesFollowThePoissonTableForEndsByChance() throws Exception {
        String parts = String.join(",", Collections.nCopies(6, "{\"shape\":1,\"scaleHours\":1500,\"ageHours\":400}"));
        JsonNode spares = json(call(
                MockMvcRequestBuilders.post("/api/v1/stores/spares"),
                "{\"inService\":[" + parts + "],\"hoursPerDay\":10,\"leadDays\":30,\"serviceLevel\":0.95}"));
        assertThat(spares.get("expectedDemand").asDouble()).isCloseTo(1.2, within(1e-3));
        assertThat(spares.at("/distribution/0").asDouble()).isCloseTo(0.3012, within(5e-4));
        assertThat(spares.at("/distribution/2").asDouble()).isCloseTo(0.2169, within(5e-4));
        assertThat(spares.get("stock").asInt()).isEqualTo(3);
        assertThat(spares.get("serviceLevelReached").asDouble()).isCloseTo(0.9662, within(5e-4));
        assertThat(json(call(
                                MockMvcRequestBuilders.post("/api/v1/stores/spares"),
                                "{\"inService\":[],\"hoursPerDay\":10,\"leadDays\":30}"))
                        .get("stock")
                        .asInt())
                .isZero();
        for (String wrong : new String[] {
            "{\"inService\":[],\"hoursPerDay\":25,\"leadDays\":3}",
            "{\"inService\":[],\"hoursPerDay\":5,\"leadDays\":3,\"serviceLevel\":1}",
            "{\"hoursPerDay\":5,\"leadDays\":3}",
            "{\"inService\":[{\"shape\":0,\"scaleHours\":1,\"ageHours\":1}],\"hoursPerDay\":5,\"leadDays\":3}",
            "{\"inService\":[{\"shape\":1,\"scaleHours\":0.001,\"ageHours\":1}],\"hoursPerDay\":20,\"leadDays\":3000}"
        }) {
            assertThat(call(MockMvcRequestBuilders.post("/api/v1/stores/spares"), wrong)
                            .getStatus())
                    .as(wrong)
                    .isEqualTo(422);
        }
    }

    private BufferedImage picture(String pattern, int x, int y) throws Exception {
        MockHttpServletResponse answer = call(
                MockMvcRequestBuilders.get("/api/v1/screen/test-picture")
                        .param("pattern", pattern)
                        .param("pixelsX", "" + x)
                        .param("pixelsY", "" + y),
                "");
        assertThat(answer.getStatus()).isEqualTo(200);
        assertThat(answer.getContentType()).isEqualTo("image/png");
        return ImageIO.read(new ByteArrayInputStream(answer.getContentAsByteArray()));
    }

    /** A spot of 3 mm at 40, 25 mm on a screen of 120 by 76 mm; turned and reduced on a dark bench. */
    private static BufferedImage photograph(BufferedImage shown, double scale, double degrees) {
        BufferedImage copy = new BufferedImage(shown.getWidth(), shown.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D spot = copy.createGraphics();
        spot.drawImage(shown, 0, 0, null);
        double mm = shown.getWidth() / 120.0;
        spot.setColor(Color.BLACK);
        spot.fill(new Ellipse2D.Double(38.5 * mm, shown.getHeight() - 26.5 * mm, 3 * mm, 3 * mm));
        int side = (int) (Math.hypot(shown.getWidth(), shown.getHeight()) * scale * 1.05);
        BufferedImage photo = new BufferedImage(side, side, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = photo.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        g.setColor(new Color(24, 22, 30));
        g.fillRect(0, 0, side, side);
        AffineTransform t = AffineTransform.getTranslateInstance(side / 2.0, side / 2.0);
        t.rotate(Math.toRadians(degrees));
        t.scale(scale, scale);
        t.translate(-shown.getWidth() / 2.0, -shown.getHeight() / 2.0);
        g.drawImage(copy, t, null);
        return photo;
    }

    /** A PNG that says in its head that it has 30,000 by 30,000 pixels. */
    private static byte[] bomb() throws IOException {
        byte[] png = png(new BufferedImage(4, 4, BufferedImage.TYPE_BYTE_GRAY));
        png[18] = 0x75;
        png[19] = 0x30;
        png[22] = 0x75;
        png[23] = 0x30;
        java.util.zip.CRC32 crc = new java.util.zip.CRC32();
        crc.update(png, 12, 17);
        for (int i = 0; i < 4; i++) {
            png[29 + i] = (byte) (crc.getValue() >> 24 - 8 * i);
        }
        return png;
    }

    private static byte[] jpeg(BufferedImage image) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpg", out);
        return out.toByteArray();
    }

    private static byte[] png(BufferedImage image) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private MockHttpServletResponse inspect(byte[] photo, String pattern, int x, int y) throws Exception {
        MockMultipartHttpServletRequestBuilder request = MockMvcRequestBuilders.multipart("/api/v1/screen/inspections")
                .file(new MockMultipartFile("photo", "photo", null, photo));
        request.param("pattern", pattern)
                .param("pixelsX", "" + x)
                .param("pixelsY", "" + y)
                .param("widthMm", "120")
                .param("heightMm", "75.94");
        return api.perform(request.header("Authorization", "Bearer " + token))
                .andReturn()
                .getResponse();
    }

    private MockHttpServletResponse call(
            org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder request, String body)
            throws Exception {
        return api.perform(request.header("Authorization", "Bearer " + token)
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
    }

    private static JsonNode json(MockHttpServletResponse answer) throws IOException {
        assertThat(answer.getStatus()).as(answer.getContentAsString()).isEqualTo(200);
        return JSON.readTree(answer.getContentAsString());
    }
}
