package keel.app.screen;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.util.Arrays;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import keel.app.fleet.Fleet;
import keel.app.fleet.ModelEntry;
import keel.app.fleet.Quirks;
import keel.app.support.PageTest;
import keel.core.bolts.VatFrame;
import keel.core.resin.VatSize;
import keel.core.standing.MachineKind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;

/** Pictures for a dry run, and the test of edge smoothing. */
class LayersPagesTest extends PageTest {

    @Autowired
    private Fleet fleet;

    @Autowired
    private Quirks quirks;

    private String machine;

    @BeforeEach
    void machine() {
        shop.people();
        shop.as("keeper");
        String model = fleet.addModel(new ModelEntry(
                "Small " + System.nanoTime(),
                MachineKind.MASK,
                80.0,
                50.0,
                100.0,
                640,
                400,
                "PEEL",
                false,
                false,
                false,
                false,
                true,
                "BALL",
                100.0,
                VatFrame.UNKNOWN,
                VatSize.UNKNOWN));
        machine = shop.machineOf(model);
        shop.as("keeper");
    }

    @Test
    void theZipHoldsEachLayerAtTheScreensOwnPixelsAndASheet() throws Exception {
        byte[] zip = file("/machines/" + machine + "/layers/harder.zip").getContentAsByteArray();
        JsonNode sheet = null;
        int pictures = 0;
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                byte[] content = in.readAllBytes();
                if (e.getName().equals("sheet.json")) {
                    sheet = new ObjectMapper().readTree(content);
                } else {
                    BufferedImage image = ImageIO.read(new ByteArrayInputStream(content));
                    assertThat(image.getWidth()).isEqualTo(640);
                    assertThat(image.getHeight()).isEqualTo(400);
                    pictures++;
                }
            }
        }
        assertThat(sheet).isNotNull();
        assertThat(sheet.get("form").asText()).isEqualTo("keel-layers");
        assertThat(sheet.get("version").asInt()).isEqualTo(1);
        assertThat(sheet.get("pixelsX").asInt()).isEqualTo(640);
        assertThat(sheet.get("layers")).hasSize(10);
        assertThat(pictures).as("up to stripes of one pixel").isEqualTo(10);
        assertThat(sheet.at("/layers/9/shows").asText()).contains("640 stripes");
        assertThat(status("/machines/" + machine + "/layers/other.zip")).isEqualTo(404);
        assertThat(page("/machines/" + machine + "/layers"))
                .contains("Harder from layer to layer")
                .contains("640 × 400");
    }

    @Test
    void layersOverOneAnotherAreShown() throws Exception {
        BufferedImage ours = ImageIO.read(new ByteArrayInputStream(
                file("/machines/" + machine + "/layers/tests.png").getContentAsByteArray()));
        assertThat(ours.getWidth()).isEqualTo(640);
        MockHttpServletResponse answer = upload("/machines/" + machine + "/layers/overlay", "file", zip(200, 100, 4));
        BufferedImage all = ImageIO.read(new ByteArrayInputStream(answer.getContentAsByteArray()));
        assertThat(all.getRaster().getSample(10, 50, 0)).as("lit in all four").isEqualTo(255);
        assertThat(all.getRaster().getSample(190, 50, 0))
                .as("lit in one of four")
                .isEqualTo(64);
    }

    @Test
    void whatIsNoStackOfLayersIsSaid() throws Exception {
        String path = "/machines/" + machine + "/layers/overlay";
        assertThat(upload(path, "file", "hello".getBytes()).getContentAsString())
                .contains("That is no PNG and no ZIP of PNGs");
        byte[] zip = zip(200, 100, 4);
        assertThat(upload(path, "file", Arrays.copyOf(zip, zip.length / 2)).getStatus())
                .isEqualTo(422);
        assertThat(upload(path, "file", new byte[0]).getStatus()).isEqualTo(422);
    }

    /** Layer by layer lit on less of it, from the right. */
    private static byte[] zip(int w, int h, int layers) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < layers; i++) {
                BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_BYTE_GRAY);
                for (int y = 0; y < h; y++) {
                    for (int x = 0; x < w * (layers - i) / layers; x++) {
                        image.getRaster().setSample(x, y, 0, 255);
                    }
                }
                zip.putNextEntry(new ZipEntry("l" + i + ".png"));
                ByteArrayOutputStream png = new ByteArrayOutputStream();
                ImageIO.write(image, "png", png);
                zip.write(png.toByteArray());
            }
        }
        return out.toByteArray();
    }

    @Test
    void thePieceTellsAndAQuirkIsKeptWithItsScope() {
        assertThat(page("/machines/" + machine + "/smoothing")).contains("What does it tell?");
        assertThat(file("/machines/" + machine + "/smoothing/piece.stl").getContentAsByteArray().length)
                .isGreaterThan(84);
        assertThat(page("/machines/" + machine + "/smoothing?x=true&y=false&between=false"))
                .contains("it smooths on one axis")
                .contains("Spheres, cylinders");
        long failure = shop.failure(machine, 1, "steps-one-axis").id();
        shop.as("keeper");
        accepted(
                "/machines/" + machine + "/smoothing",
                "x",
                "true",
                "y",
                "false",
                "between",
                "false",
                "scope",
                "MODEL|" + shop.modelOf(machine),
                "failure",
                Long.toString(failure));
        assertThat(quirks.facts(machine)).contains("quirk-smoothing-axis");
        assertThat(quirks.of(machine).get(0).workaround()).contains("45°").contains("It cannot help: Spheres");
        assertThat(page("/failures/" + failure)).contains("Steps to one axis only");
        assertThat(page("/machines/" + machine + "/smoothing")).contains("Known already:");
        refused(422, "Say of each kind of face", "/machines/" + machine + "/smoothing", "x", "true");
    }
}
