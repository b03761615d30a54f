package keel.app.starting;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.preflight.FileFinding;
import keel.core.preflight.FileReport;
import keel.core.preflight.Outline;
import keel.core.preflight.SheetSize;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionOperations;

/** Reads sliced files layer by layer, says what may go wrong with them, and keeps what was found by their content. */
@Service
public class SlicedFiles {

    private static final Logger LOG = LoggerFactory.getLogger(SlicedFiles.class);
    private static final int LONGEST_NAME = 200;
    private static final long MB = 1_000_000;

    private final SlicedFileRecords records;
    private final Standings standings;
    private final FileLimits limits;
    private final KeptFiles kept;
    private final ShopSettings settings;
    private final ObjectMapper json;
    private final TransactionOperations transactions;
    private final Clock clock;

    SlicedFiles(
            SlicedFileRecords records,
            Standings standings,
            FileLimits limits,
            KeptFiles kept,
            ShopSettings settings,
            ObjectMapper json,
            TransactionOperations transactions,
            Clock clock) {
        this.records = records;
        this.standings = standings;
        this.limits = limits;
        this.kept = kept;
        this.settings = settings;
        this.json = json;
        this.transactions = transactions;
        this.clock = clock;
    }

    /** What is asked besides the file; what its own sheet says goes before. */
    public record Asked(String name, Double layerMm, Double widthMm, Double depthMm, String machine) {}

    /**
     * What was found, with the hash of what is in the file.
     *
     * @param outline null for files that were read before it was kept
     */
    public record Checked(
            String hash,
            int layers,
            double heightMm,
            double resinMl,
            double trappedMl,
            List<Double> areaCm2,
            List<FileFinding> findings,
            Outline outline) {

        static Checked of(String hash, FileReport r) {
            return new Checked(
                    hash, r.layers(), r.heightMm(), r.resinMl(), r.trappedMl(), r.areaCm2(), r.findings(), r.outline());
        }

        FileReport report() {
            return new FileReport(layers, heightMm, resinMl, trappedMl, areaCm2, findings, outline);
        }
    }

    /**
     * @throws Refused with a sentence, if it is nothing of the kind; nothing is kept of it then
     * @throws NotThere if there is no such machine
     */
    public Checked check(Path file, Asked asked) throws IOException {
        return check(file, asked, LayersReader.Progress.NOBODY);
    }

    Checked check(Path file, Asked asked, LayersReader.Progress progress) throws IOException {
        Actor actor = Actor.current();
        MachineNow machine =
                asked.machine() == null || asked.machine().isBlank() ? null : standings.of(asked.machine());
        LayersReader.Read read = LayersReader.read(file, asked, machine, limits.of(machine), progress);
        Checked checked = Checked.of(hash(file), read.report());
        Long bytes = keep(checked.hash(), file);
        transactions.executeWithoutResult(t -> write(checked, read.size(), asked, machine, actor, bytes));
        return checked;
    }

    /** Keeps the file itself where the shop wants that and has room; answers its size, null where it is not kept. */
    private Long keep(String hash, Path file) throws IOException {
        long bytes = Files.size(file);
        double most = settings.defaults().value("files.keepMb") * MB;
        if (bytes > most) {
            return null;
        }
        kept.keep(hash, file);
        return bytes;
    }

    /** @throws NotThere if no file with this content was ever read */
    public Checked of(String hash) {
        return checked(record(hash));
    }

    SlicedFile record(String hash) {
        return records.findById(hash == null ? "" : hash)
                .orElseThrow(() -> new NotThere("No file with this content was read here."));
    }

    /** Whether the file itself is kept; after a restore it is not, whatever the records say. */
    boolean isThere(SlicedFile file) {
        return file.keptBytes != null && kept.file(file.hash).isPresent();
    }

    Checked checked(SlicedFile file) {
        try {
            return json.readValue(file.report, Checked.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Files that were read, the latest first. */
    List<FileBrief> latest(String like, int most) {
        String asked = like == null ? "" : like.strip().toLowerCase(Locale.ROOT);
        return records.latest(asked.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_"), Limit.of(most));
    }

    /** MB of all files that are kept. */
    public double keptMb() {
        return records.keptBytes() / (double) MB;
    }

    /** The picture of a layer from 1, as a PNG; empty where the file is not kept or has no such layer. */
    public Optional<byte[]> layer(String hash, int layer) {
        return kept.file(record(hash).hash).flatMap(file -> {
            try (LayerArchive archive = LayerArchive.open(file)) {
                return layer < 1 || layer > archive.size() ? Optional.empty() : Optional.of(archive.layer(layer - 1));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }

    /** Throws the file itself away; what was found in it stays. */
    public void drop(String hash) {
        Actor.require(Role.KEEPER);
        transactions.executeWithoutResult(t -> forget(record(hash)));
    }

    private void forget(SlicedFile file) {
        file.keptBytes = null;
        records.save(file);
        try {
            kept.drop(file.hash);
        } catch (IOException e) {
            LOG.warn("A file that is not kept any more could not be deleted: {}", e.getMessage());
        }
    }

    private void write(Checked checked, SheetSize size, Asked asked, MachineNow machine, Actor actor, Long bytes) {
        SlicedFile file = records.findById(checked.hash()).orElseGet(SlicedFile::new);
        file.hash = checked.hash();
        String name = asked.name() == null || asked.name().isBlank()
                ? "file"
                : asked.name().strip();
        file.name = name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) : name;
        file.machineId = machine == null ? null : machine.id();
        file.checkedAt = clock.instant();
        file.usedAt = clock.instant();
        file.personId = actor.personId();
        file.layerMm = size.layerMm();
        file.widthMm = size.widthMm();
        file.depthMm = size.depthMm();
        file.keptBytes = bytes;
        try {
            file.report = json.writeValueAsString(checked);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
        records.save(file);
        makeRoom(file.hash);
    }

    /** What was not used for longest goes first. */
    private void makeRoom(String newest) {
        double most = settings.defaults().value("files.keepMb") * MB;
        double sum = records.keptBytes();
        for (SlicedFile old : records.kept()) {
            if (sum <= most) {
                return;
            }
            if (!old.hash.equals(newest)) {
                sum -= old.keptBytes;
                forget(old);
            }
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
