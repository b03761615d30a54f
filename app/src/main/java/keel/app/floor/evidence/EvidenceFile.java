package keel.app.floor.evidence;

import java.io.IOException;
import java.io.OutputStream;
import java.util.Arrays;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import keel.app.base.CsvFile;
import org.springframework.stereotype.Component;

/** Evidence as a ZIP: the paper, tables as CSV, photographs as they were taken. */
@Component
public class EvidenceFile {

    private static final List<String> LOST = List.of(
            "run", "startedAt", "machine", "job", "outcome", "reached", "failure", "seen", "cause", "cost", "resinMl");
    private static final List<String> ENTRIES = List.of("entry", "happenedAt", "machine", "kind", "text");

    private final Evidences evidences;
    private final EvidencePaper paper;

    EvidenceFile(Evidences evidences, EvidencePaper paper) {
        this.evidences = evidences;
        this.paper = paper;
    }

    /** Writes it; the stream stays open. */
    public void write(Evidence e, OutputStream out) throws IOException {
        ZipOutputStream zip = new ZipOutputStream(out);
        put("evidence.pdf", paper.pdf(e), zip);
        put(
                "what-it-is.csv",
                CsvFile.bytes(
                        List.of("what", "value"),
                        e.facts().stream()
                                .<List<?>>map(f -> List.of(f.label(), f.value()))
                                .toList()),
                zip);
        put(
                "prints-lost.csv",
                CsvFile.bytes(LOST, e.lost().stream().map(EvidenceFile::row).toList()),
                zip);
        put(
                "done-and-measured.csv",
                CsvFile.bytes(
                        ENTRIES,
                        e.entries().stream()
                                .<List<?>>map(l -> Arrays.asList(
                                        l.id(),
                                        l.happenedAt(),
                                        l.machine(),
                                        l.kind().words(),
                                        l.headline()))
                                .toList()),
                zip);
        for (Evidence.Picture p : e.pictures()) {
            put(p.file(), evidences.bytes(p, false), zip);
        }
        zip.finish();
    }

    private static List<?> row(Evidence.LostPrint p) {
        return Arrays.asList(
                p.run(),
                p.at(),
                p.machine(),
                p.job(),
                p.outcome(),
                p.how(),
                p.failure(),
                p.seen(),
                p.cause(),
                Math.round(100 * p.money()) / 100.0,
                Math.round(p.ml()));
    }

    private static void put(String name, byte[] bytes, ZipOutputStream zip) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(bytes);
        zip.closeEntry();
    }
}
