package keel.app.starting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.StreamSupport;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import keel.app.support.ApiCalls;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.request.MockMultipartHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Files are made here, layer by layer; their volumes and faults are known. */
class FilesApiTest extends ApiCalls {

    private static final int W = 200;
    private static final int D = 120;

    private interface Lit {
        boolean at(int x, int y, int layer);
    }

    private static byte[] png(int w, int d, int type, int layer, Lit lit) throws IOException {
        BufferedImage image = new BufferedImage(w, d, type);
        for (int y = 0; y < d; y++) {
            for (int x = 0; x < w; x++) {
                if (lit.at(x, y, layer)) {
                    image.setRGB(x, y, 0xffffffff);
                }
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private static Map<String, byte[]> layers(int count, Lit lit) throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        for (int k = 1; k <= count; k++) {
            files.put("layers/" + k + ".png", png(W, D, BufferedImage.TYPE_BYTE_GRAY, k, lit));
        }
        return files;
    }

    private static byte[] zip(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            for (Map.Entry<String, byte[]> e : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(e.getKey()));
                zip.write(e.getValue());
                zip.closeEntry();
            }
        }
        return out.toByteArray();
    }

    private static boolean block(int x, int y) {
        return x >= 50 && x < 150 && y >= 30 && y < 90;
    }

    private Answer check(byte[] file, String... params) throws Exception {
        MockMultipartHttpServletRequestBuilder request = MockMvcRequestBuilders.multipart("/api/v1/files/check");
        request.file(new MockMultipartFile("file", "job.zip", "application/zip", file));
        for (int i = 0; i < params.length; i += 2) {
            request.param(params[i], params[i + 1]);
        }
        return answer(request);
    }

    private Answer checkSized(byte[] file) throws Exception {
        return check(file, "layerMm", "0.1", "widthMm", "20", "depthMm", "12");
    }

    @Test
    void aSoundFileIsMeasuredAndFoundAgainByItsContent() throws Exception {
        Answer answer = checkSized(zip(layers(12, (x, y, k) -> block(x, y))));
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        assertThat(answer.body().get("layers").asInt()).isEqualTo(12);
        assertThat(answer.body().get("heightMm").asDouble()).isCloseTo(1.2, within(1e-9));
        assertThat(answer.body().get("resinMl").asDouble()).isCloseTo(10 * 6 * 1.2 / 1000, within(1e-9));
        assertThat(answer.body().get("areaCm2")).hasSize(12);
        assertThat(answer.body().get("areaCm2").get(3).asDouble()).isCloseTo(0.6, within(1e-9));
        assertThat(answer.body().get("findings")).isEmpty();
        Answer again = get("/api/v1/files/" + answer.body().get("hash").asText());
        assertThat(again.body()).isEqualTo(answer.body());
        assertThat(get("/api/v1/files/0000").status()).isEqualTo(404);
    }

    /** An island, front left at 3 and 2 mm: pictures begin at the back. Numbers are sorted as numbers. */
    @Test
    void anIslandIsFoundWhereItIs() throws Exception {
        byte[] file = zip(layers(12, (x, y, k) -> block(x, y) || k > 5 && x >= 20 && x < 40 && y >= 90 && y < 110));
        Answer answer = checkSized(file);
        assertThat(StreamSupport.stream(answer.body().get("findings").spliterator(), false))
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.get("code").asText()).isEqualTo("ISLAND");
                    assertThat(f.get("severity").asText()).isEqualTo("STOP");
                    assertThat(f.get("layer").asInt()).isEqualTo(6);
                    assertThat(f.get("xMm").asDouble()).isCloseTo(3, within(0.01));
                    assertThat(f.get("yMm").asDouble()).isCloseTo(2, within(0.01));
                    assertThat(f.get("areaMm2").asDouble()).isCloseTo(4, within(0.01));
                });
    }

    @Test
    void theSheetSaysTheSizeAndOddPicturesAreRead() throws Exception {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put(
                "sheet.json",
                "{\"layerMm\":0.05,\"widthMm\":20,\"depthMm\":12,\"layers\":3}".getBytes(StandardCharsets.UTF_8));
        files.put("Слой-010.png", png(W, D, BufferedImage.TYPE_USHORT_GRAY, 1, (x, y, k) -> block(x, y)));
        files.put("Слой-020.png", png(W, D, BufferedImage.TYPE_INT_RGB, 1, (x, y, k) -> block(x, y)));
        files.put("Слой-030.png", png(W, D, BufferedImage.TYPE_BYTE_BINARY, 1, (x, y, k) -> block(x, y)));
        files.put("preview/preview.png", png(64, 64, BufferedImage.TYPE_INT_RGB, 1, (x, y, k) -> true));
        Answer answer = check(zip(files));
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        assertThat(answer.body().get("layers").asInt()).isEqualTo(3);
        assertThat(answer.body().get("resinMl").asDouble()).isCloseTo(10 * 6 * 0.15 / 1000, within(1e-9));
    }

    @Test
    void itIsHeldAgainstAMachine() throws Exception {
        String machine = shop.maskMachine();
        Answer answer = check(zip(layers(5, (x, y, k) -> block(x, y))), "layerMm", "0.1", "machine", machine);
        assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
        assertThat(check(zip(layers(2, (x, y, k) -> block(x, y))), "layerMm", "0.1", "machine", "nobody")
                        .status())
                .isEqualTo(404);
    }

    @Test
    void aPictureThatCannotBeReadStops() throws Exception {
        Map<String, byte[]> files = layers(6, (x, y, k) -> block(x, y));
        files.put("layers/4.png", Arrays.copyOf(files.get("layers/4.png"), 60));
        Answer answer = checkSized(zip(files));
        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.body().at("/findings/0/code").asText()).isEqualTo("UNREADABLE_LAYER");
        assertThat(answer.body().at("/findings/0/layer").asInt()).isEqualTo(4);
    }

    @Test
    void whatIsNoFileIsRefusedInASentence() throws Exception {
        Map<String, byte[]> three = layers(3, (x, y, k) -> block(x, y));
        refused("not a ZIP".getBytes(StandardCharsets.UTF_8), "That is no ZIP");
        refused(new byte[0], "empty");
        refused(zip(Map.of("inner.zip", zip(three))), "a ZIP in that ZIP");
        refused(zip(Map.of("a.txt", new byte[] {1})), "no PNG");
        refused(Arrays.copyOf(zip(three), 300), "damaged or cut short");
        byte[] locked = zip(three);
        locked[6] |= 1;
        refused(locked, "password");
        Map<String, byte[]> unlike = new LinkedHashMap<>(three);
        unlike.put("layers/3.png", png(W / 2, D, BufferedImage.TYPE_BYTE_GRAY, 3, (x, y, k) -> block(x, y)));
        refused(zip(unlike), "not as large");
        Map<String, byte[]> gap = layers(12, (x, y, k) -> block(x, y));
        gap.remove("layers/7.png");
        refused(zip(gap), "Picture 7 is missing");
        refused(zip(layers(3, (x, y, k) -> false)), "Nothing is lit");
        refused(zip(Map.of("1.png", png(1, 1, BufferedImage.TYPE_BYTE_GRAY, 1, (x, y, k) -> true))), "are no layers");
        Map<String, byte[]> contradicts = new LinkedHashMap<>(three);
        contradicts.put("sheet.json", "{\"layers\":9}".getBytes(StandardCharsets.UTF_8));
        refused(zip(contradicts), "9 layers, and 3 pictures");
        contradicts.put("sheet.json", "{layers".getBytes(StandardCharsets.UTF_8));
        refused(zip(contradicts), "no JSON");
        Answer sizeless = check(zip(three));
        assertThat(sizeless.status()).isEqualTo(422);
        assertThat(sizeless.body().toString()).contains("layerMm", "widthMm", "depthMm");
    }

    private void refused(byte[] file, String because) throws Exception {
        Answer answer = checkSized(file);
        assertThat(answer.status()).as(because + ": " + answer.body()).isEqualTo(422);
        assertThat(answer.body().toString()).contains(because);
    }
}
