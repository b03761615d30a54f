package keel.app.starting;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.util.HexFormat;
import java.util.List;
import keel.app.base.NotThere;
import keel.app.base.Pictures;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.screen.ScreenSpots;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.Findings;
import keel.core.preflight.FileFinding;
import keel.core.preflight.FileReport;
import keel.core.preflight.LayerPixels;
import keel.core.preflight.Limits;
import keel.core.preflight.Preflight;
import keel.core.preflight.SheetSize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionOperations;

/** Reads sliced files layer by layer, says what may go wrong with them, and keeps what was found by their content. */
@Service
public class SlicedFiles {

    private static final int LEAST_PIXELS = 8;
    private static final double MOST_LAYER_MM = 1;
    private static final double MOST_MM = 2000;
    private static final int LONGEST_NAME = 200;
    /** Pixels are as wide as deep, or nearly. */
    private static final double MOST_ASPECT = 1.5;

    private final SlicedFileRecords records;
    private final Standings standings;
    private final ScreenSpots spots;
    private final ObjectMapper json;
    private final TransactionOperations transactions;
    private final Clock clock;

    SlicedFiles(
            SlicedFileRecords records,
            Standings standings,
            ScreenSpots spots,
            ObjectMapper json,
            TransactionOperations transactions,
            Clock clock) {
        this.records = records;
        this.standings = standings;
        this.spots = spots;
        this.json = json;
        this.transactions = transactions;
        this.clock = clock;
    }

    /** What is asked besides the file; what its own sheet says goes before. */
    public record Asked(String name, Double layerMm, Double widthMm, Double depthMm, String machine) {}

    /** What was found, with the hash of what is in the file. */
    public record Checked(
            String hash,
            int layers,
            double heightMm,
            double resinMl,
            double trappedMl,
            List<Double> areaCm2,
            List<FileFinding> findings) {}

    /**
     * @throws Refused with a sentence, if it is nothing of the kind; nothing is kept of it then
     * @throws NotThere if there is no such machine
     */
    public Checked check(Path file, Asked asked) throws IOException {
        Actor actor = Actor.current();
        MachineNow machine =
                asked.machine() == null || asked.machine().isBlank() ? null : standings.of(asked.machine());
        FileReport report;
        try (LayerArchive archive = LayerArchive.open(file)) {
            JsonNode sheet = archive.sheet();
            report = read(archive, sheet, size(archive, sheet, asked, machine), limits(machine));
        }
        String hash = hash(file);
        Checked checked = new Checked(
                hash,
                report.layers(),
                report.heightMm(),
                report.resinMl(),
                report.trappedMl(),
                report.areaCm2(),
                report.findings());
        transactions.executeWithoutResult(t -> keep(checked, asked, machine, actor));
        return checked;
    }

    /** @throws NotThere if no file with this content was ever read */
    public Checked of(String hash) {
        SlicedFile kept =
                records.findById(hash).orElseThrow(() -> new NotThere("No file with this content was read here."));
        try {
            return json.readValue(kept.report, Checked.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private void keep(Checked checked, Asked asked, MachineNow machine, Actor actor) {
        SlicedFile kept = new SlicedFile();
        kept.hash = checked.hash();
        String name = asked.name() == null || asked.name().isBlank() ? "file" : asked.name();
        kept.name = name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) : name;
        kept.machineId = machine == null ? null : machine.id();
        kept.checkedAt = clock.instant();
        kept.personId = actor.personId();
        try {
            kept.report = json.writeValueAsString(checked);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
        records.save(kept);
    }

    private Limits limits(MachineNow m) {
        return m == null
                ? Limits.NONE
                : new Limits(
                        m.plateHeightMm(),
                        m.resin() == null ? null : Double.valueOf(m.resinMl()),
                        spots.last(m).map(ScreenSpots.Last::spots).orElse(List.of()));
    }

    private static SheetSize size(LayerArchive archive, JsonNode sheet, Asked asked, MachineNow m) {
        Double layer = said(sheet, "layerMm", asked.layerMm());
        Double width = said(sheet, "widthMm", asked.widthMm());
        Double depth = said(sheet, "depthMm", asked.depthMm());
        if (m != null) {
            width = width == null ? Double.valueOf(m.plateWidthMm()) : width;
            depth = depth == null ? Double.valueOf(m.plateDepthMm()) : depth;
        }
        Findings findings = new Findings();
        findings.range(layer, 0.001, MOST_LAYER_MM, "layerMm", "The height of a layer", "mm");
        findings.range(width, 1, MOST_MM, "widthMm", "The width of the pictures", "mm");
        findings.range(depth, 1, MOST_MM, "depthMm", "The depth of the pictures", "mm");
        JsonNode layers = sheet.path("layers");
        findings.when(
                layers.isInt() && layers.asInt() != archive.size(),
                "file",
                "Its sheet says " + layers.asInt() + " layers, and " + archive.size() + " pictures are in it.");
        Refused.unless(findings);
        return new SheetSize(layer, width, depth);
    }

    private static Double said(JsonNode sheet, String field, Double otherwise) {
        JsonNode value = sheet.path(field);
        return value.isNumber() ? Double.valueOf(value.asDouble()) : otherwise;
    }

    private static FileReport read(LayerArchive archive, JsonNode sheet, SheetSize size, Limits limits)
            throws IOException {
        Preflight preflight = new Preflight(size, limits);
        for (int k = 0; k < archive.size(); k++) {
            byte[] png = archive.layer(k);
            try {
                LayerPixels pixels = LayerDecoder.read(png, archive.name(k));
                if (k == 0) {
                    requireFit(pixels, size, sheet);
                }
                preflight.layer(pixels);
            } catch (Pictures.Unreadable e) {
                unreadable(preflight, e, k);
            } catch (IllegalArgumentException e) {
                throw new Refused("file", e.getMessage());
            }
        }
        FileReport report = preflight.report();
        if (report.areaCm2().stream().allMatch(a -> a == 0)) {
            throw new Refused("file", "Nothing is lit on any of its pictures: a layer is bright where the resin sets.");
        }
        return report;
    }

    private static void unreadable(Preflight preflight, Pictures.Unreadable why, int layer) {
        if (layer == 0 || why.tooLarge()) {
            throw new Refused("file", why.getMessage());
        }
        preflight.unreadable(why.getMessage());
    }

    private static void requireFit(LayerPixels first, SheetSize size, JsonNode sheet) {
        if (first.width() < LEAST_PIXELS || first.height() < LEAST_PIXELS) {
            throw new Refused(
                    "file", "Pictures of " + first.width() + " × " + first.height() + " pixels are no layers.");
        }
        boolean other = sheet.path("pixelsX").isInt() && sheet.path("pixelsX").asInt() != first.width()
                || sheet.path("pixelsY").isInt() && sheet.path("pixelsY").asInt() != first.height();
        double across = size.widthMm() / first.width();
        double deep = size.depthMm() / first.height();
        double aspect = Math.max(across / deep, deep / across);
        if (other || aspect > MOST_ASPECT) {
            throw new Refused(
                    "file",
                    "Width and depth do not fit its pictures of " + first.width() + " × " + first.height()
                            + " pixels: which is right?");
        }
    }

    private static String hash(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            byte[] buffer = new byte[1 << 16];
            for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
                digest.update(buffer, 0, n);
            }
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
