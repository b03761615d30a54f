package keel.app.starting;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import keel.app.failures.Diagnoses;
import keel.app.failures.Failures;
import keel.app.fleet.ShopSettings;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.support.PageTest;
import keel.core.preflight.FileFinding.Code;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A file from its arrival to the failure that it explains. Volumes and places are known, the files are made here. */
class FilesPagesTest extends PageTest {

    private static final int W = 144;
    private static final int D = 81;
    private static final double LAYER = 0.5;

    @Autowired
    private SlicedFiles files;

    @Autowired
    private JobFiles jobs;

    @Autowired
    private FileChecks checks;

    @Autowired
    private KeptFiles kept;

    @Autowired
    private Runs runs;

    @Autowired
    private Failures failures;

    @Autowired
    private Diagnoses diagnoses;

    @Autowired
    private ShopSettings settings;

    private String machine;

    @BeforeEach
    void aMachine() {
        shop.people();
        machine = shop.maskMachine();
    }

    private interface Lit {
        boolean at(int x, int y, int layer);
    }

    /** A millimetre a pixel. */
    private static Path file(int layers, Lit lit) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("sheet.json"));
            zip.write(("{\"layerMm\":" + LAYER + ",\"widthMm\":" + W + ",\"depthMm\":" + D + "}")
                    .getBytes(StandardCharsets.UTF_8));
            for (int k = 1; k <= layers; k++) {
                BufferedImage image = new BufferedImage(W, D, BufferedImage.TYPE_BYTE_GRAY);
                for (int i = 0; i < W * D; i++) {
                    if (lit.at(i % W, i / W, k)) {
                        image.setRGB(i % W, i / W, 0xffffffff);
                    }
                }
                zip.putNextEntry(new ZipEntry(k + ".png"));
                ImageIO.write(image, "png", zip);
            }
        }
        Path file = Files.createTempFile("test", ".zip");
        Files.write(file, out.toByteArray());
        return file;
    }

    private static boolean block(int x, int y) {
        return x >= 50 && x < 90 && y >= 30 && y < 60;
    }

    /** A block; and beside it, from a layer on, something that hangs on nothing. */
    private static Path withIsland(int layers, int from) throws IOException {
        return file(layers, (x, y, k) -> block(x, y) || k >= from && x >= 110 && x < 116 && y >= 10 && y < 16);
    }

    private String read(Path file, String name) throws IOException {
        return files.check(file, new SlicedFiles.Asked(name, null, null, null, machine))
                .hash();
    }

    @Test
    void aFileIsReadInTheBackgroundAndCanBeCalledOff() throws Exception {
        String id = checks.begin(withIsland(40, 21), new SlicedFiles.Asked("Oar.zip", null, null, null, machine));
        FileChecks.Reading reading = waited(id);
        assertThat(reading.wrong()).isNull();
        assertThat(status("/files/reading/" + id)).as("goes on to its page").isEqualTo(302);
        assertThat(page("/files")).contains("Oar.zip", "One thing in it spoils the print.");
        assertThat(page("/files?q=oAR")).contains("Oar.zip");
        assertThat(page("/files?q=%25")).contains("No file is called like that.");
        Path broken = Files.createTempFile("test", ".zip");
        Files.writeString(broken, "no zip");
        String wrong = checks.begin(broken, new SlicedFiles.Asked("x.zip", null, null, null, null));
        assertThat(waited(wrong).field()).isEqualTo("file");
        assertThat(page("/files/reading/" + wrong)).contains("That is no ZIP", "Choose another");
        assertThat(broken).as("nothing is left of it").doesNotExist();
        String lone = checks.begin(
                file(20, (x, y, k) -> block(x, y)), new SlicedFiles.Asked("x.zip", null, null, null, "nobody"));
        assertThat(waited(lone).field()).isEqualTo("machine");
        Path large = file(400, (x, y, k) -> block(x, y) && (x + k) % 7 > 0);
        String stopped = checks.begin(large, new SlicedFiles.Asked("Never.zip", null, null, null, machine));
        assertThat(accepted("/files/reading/" + stopped + "/stop")).isEqualTo("/files");
        assertThat(waited(stopped).calledOff()).isTrue();
        assertThat(page("/files")).doesNotContain("Never.zip");
        assertThat(status("/files/reading/unknown")).isEqualTo(404);
    }

    private FileChecks.Reading waited(String id) throws InterruptedException {
        for (int i = 0; i < 400 && !checks.of(id).over(); i++) {
            Thread.sleep(50);
        }
        assertThat(checks.of(id).over()).isTrue();
        return checks.of(id);
    }

    @Test
    void whatIsFoundIsDecidedAndOpenedAgain() throws IOException {
        String hash = read(withIsland(40, 22), "Tiller 1.zip");
        String path = "/files/" + hash;
        JobFiles.JobFile file = jobs.one(hash);
        assertThat(file.job()).isEqualTo("Tiller 1");
        assertThat(file.checked().resinMl()).isCloseTo((40 * 30 * 40 + 36 * 19) * LAYER / 1000, within(1e-6));
        assertThat(file.footprint()).contains("66 x 50");
        String page = page(path);
        assertThat(page).contains("One thing in it spoils the print.", "Layers 22 to 40", "113 mm from the left", "68");
        refused(422, "Say why it may be printed", path + "/decide", "n", "1", "as", "accepted", "machine", machine);
        assertThat(accepted(path + "/decide", "n", "1", "as", "accepted", "reason", "a flag, not wanted"))
                .isEqualTo(path + "?layer=22");
        assertThat(page(path)).contains("What was found in it is accepted.", "a flag, not wanted");
        long decision = jobs.verdict(file, null).findings().get(0).decision().id();
        accepted(path + "/back", "id", Long.toString(decision));
        accepted(path + "/back", "id", Long.toString(decision));
        assertThat(page(path)).contains("One thing in it spoils the print.");
        accepted(path + "/decide", "n", "1", "as", "anew");
        assertThat(page(path)).contains("It is to be sliced anew.");
        assertThat(form(path + "/decide", "n", "9", "as", "anew").status()).isEqualTo(404);
        assertThat(status("/files/" + "0".repeat(64))).isEqualTo(404);
    }

    @Test
    void aMachineIsHeldAgainstItAsItIsNow() throws IOException {
        String hash = read(file(400, (x, y, k) -> block(x, y)), "Tall.zip");
        assertThat(page("/files/" + hash)).contains("200.0 mm stand, the machine prints 175 mm.");
        assertThat(page("/files/" + hash + "?machine=")).contains("Nothing was found in it.");
        String low = read(file(20, (x, y, k) -> block(x, y)), "Low.zip");
        assertThat(jobs.verdict(jobs.one(low), shop.now(machine)).findings())
                .extracting(j -> j.finding().code())
                .doesNotContain(Code.ON_SPOT);
        shop.service(
                machine,
                "SCREEN_INSPECTED",
                9000,
                "clean",
                false,
                "spots",
                List.of(java.util.Map.of("xMm", 70, "yMm", 40, "sizeMm", 3, "kind", "DARK")));
        assertThat(jobs.verdict(jobs.one(low), shop.now(machine)).findings())
                .extracting(j -> j.finding().code())
                .contains(Code.ON_SPOT);
    }

    @Test
    void theGateAsksTheFile() throws IOException {
        String hash = read(withIsland(40, 23), "Pintle.zip");
        shop.service(machine, "PLATE_CLEARED", 9100);
        String gate = page("/machines/" + machine + "/start?file=" + hash);
        assertThat(gate)
                .contains("The file was read. One thing in it spoils the print.", "Ventilation is on.")
                .contains("value=\"40\"", "value=\"Pintle\"", "value=\"66 x 50\"")
                .doesNotContain("The file was paged through");
        assertThat(page("/machines/" + machine + "/start")).contains("The file was paged through", "Pintle.zip");
        assertThat(page("/machines/" + machine + "/start?job=pintle"))
                .as("the file that is called like the job")
                .contains("The file was read.", "value=\"40\"");
        assertThat(page("/machines/" + machine + "/start?job=pintle&file=none"))
                .contains("The file was paged through")
                .doesNotContain("The file was read.");
        Gates.Aside aside = new Gates.Aside(null, false, hash, null, Map.of());
        RunEntry held = entry("Pintle", null);
        List<String> looked = jobs.verdict(jobs.one(hash), null).findings().isEmpty() ? List.of() : all(held, hash);
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> gates.start(held, looked, aside))
                .hasMessageContaining("A keeper may start all the same");
        assertThat(gate).contains("Decide on the file first").doesNotContain("Clear the holds first");
        shop.as("operator");
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> gates.start(entry("Pintle", "a trial"), looked, aside))
                .as("a keeper only")
                .isInstanceOf(org.springframework.security.access.AccessDeniedException.class);
        shop.as("keeper");
        accepted("/files/" + hash + "/decide", "n", "1", "as", "accepted", "reason", "wanted so");
        assertThat(page("/machines/" + machine + "/start?file=" + hash)).contains("is accepted (wanted so)");
        long run = gates.start(held, all(held, hash), aside).id();
        assertThat(jobs.of(run)).map(JobFiles.JobFile::hash).contains(hash);
        assertThat(page("/files/" + hash)).contains("Printed", "/runs/" + run);
    }

    @Autowired
    private Gates gates;

    private RunEntry entry(String job, String reason) {
        return new RunEntry(machine, job, null, null, 40, 2.0, 24.0, null, null, reason, null, null, null, null, null);
    }

    private List<String> all(RunEntry entry, String file) {
        return gates.of(machine, Gates.Job.of(entry, file)).stream()
                .map(i -> i.code())
                .toList();
    }

    @Test
    void aFailureSaysWhatItsFileHasThere() throws IOException {
        String hash = read(withIsland(60, 31), "Gudgeon.zip");
        Instant start = Instant.now().minus(Duration.ofHours(5));
        long run = runs.enter(new RunEntry(
                        machine,
                        "Gudgeon",
                        start,
                        start.plus(Duration.ofHours(2)),
                        60,
                        2.0,
                        36.0,
                        "FAILED",
                        34,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null))
                .id();
        long id = failures.log(new keel.app.failures.FailureEntry(
                        machine, run, null, List.of("part-missing"), List.of(), List.of(), null))
                .id();
        double before = share(id);
        assertThat(page("/failures/" + id)).doesNotContain("What its file has");
        jobs.printed(run, hash);
        assertThat(page("/runs/" + run)).contains("Its file: Gudgeon.zip", "/files/" + hash);
        assertThat(page("/failures/" + id))
                .contains("What its file has up to layer 34", "Layer 31: ", "Look through Gudgeon.zip");
        assertThat(share(id)).as("an island there speaks for the file").isGreaterThan(before);
    }

    private double share(long failure) {
        return diagnoses.of(failures.one(failure)).causes().stream()
                .filter(c -> c.code().equals("file-unchecked"))
                .findFirst()
                .orElseThrow()
                .probability();
    }

    @Test
    void filesAreKeptWhileThereIsRoomAndTheirLayersShown() throws IOException {
        String hash = read(file(10, (x, y, k) -> block(x, y) && x < 80 + k), "Thole.zip");
        assertThat(kept.file(hash)).isPresent();
        assertThat(status("/files/" + hash + "/layers/3")).isEqualTo(200);
        assertThat(status("/files/" + hash + "/layers/11")).isEqualTo(404);
        shop.as("operator");
        assertThat(form("/files/" + hash + "/drop").status()).isEqualTo(403);
        shop.as("keeper");
        accepted("/files/" + hash + "/drop");
        assertThat(kept.file(hash)).isEmpty();
        assertThat(page("/files/" + hash)).contains("Only what was found is kept of it", "Nothing was found in it.");
        assertThat(status("/files/" + hash + "/layers/3")).isEqualTo(404);
        shop.as("owner");
        settings.changeDefaults(java.util.Map.of("files.keepMb", "0"));
        shop.as("keeper");
        try {
            String never = read(file(10, (x, y, k) -> block(x, y) && x < 70 + k), "Knee.zip");
            assertThat(kept.file(never)).isEmpty();
            assertThat(page("/files/" + never)).contains("Only what was found is kept of it");
        } finally {
            shop.as("owner");
            settings.changeDefaults(java.util.Map.of("files.keepMb", "2000"));
        }
    }
}
