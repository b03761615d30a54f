package keel.app.starting;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import keel.app.failures.PrintedFiles;
import keel.core.preflight.FileFinding;
import keel.core.preflight.FileFinding.Code;
import keel.core.preflight.FileFinding.Severity;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the file of a print that failed has where it failed. Which finding speaks for what is common practice. */
@Service
@Transactional(readOnly = true)
class FileAtFailure implements PrintedFiles {

    /** A print is seen to fail some layers after it began to. */
    private static final double BEFORE_MM = 5;

    private static final double AFTER_MM = 0.5;
    private static final double USUAL_LAYER_MM = 0.05;
    private static final double GROWS = 1.5;
    private static final double GROWS_CM2 = 2;

    private final JobFiles files;

    FileAtFailure(JobFiles files) {
        this.files = files;
    }

    @Override
    public Optional<There> at(long run, Integer layer) {
        return files.of(run).map(f -> there(f, layer));
    }

    private static There there(JobFiles.JobFile f, Integer layer) {
        double mm = f.layerMm() == null ? USUAL_LAYER_MM : f.layerMm();
        Integer known = layer == null || layer < 1 || layer > f.checked().layers() ? null : layer;
        int from = known == null ? 1 : (int) Math.max(1, Math.floor(known - BEFORE_MM / mm));
        int to = known == null ? f.checked().layers() : (int) Math.ceil(known + AFTER_MM / mm);
        List<FileFinding> near = f.checked().findings().stream()
                .filter(x -> x.layer() <= to && x.toLayer() >= from)
                .toList();
        List<String> lines = new ArrayList<>();
        if (known != null) {
            grows(f.checked().areaCm2(), from, known).ifPresent(lines::add);
        }
        near.forEach(x -> lines.add("Layer " + x.layer() + ": " + x.text()));
        return new There(
                f.hash(),
                f.name(),
                known,
                facts(near, f.checked().findings()),
                List.copyOf(lines),
                f.checked().findings().size());
    }

    /** The strongest growth of the lit area from one layer to the next, where there is any worth saying. */
    private static Optional<String> grows(List<Double> areas, int from, int to) {
        int at = -1;
        double most = 0;
        for (int k = Math.max(2, from); k <= to; k++) {
            double more = areas.get(k - 1) - areas.get(k - 2);
            if (more > most) {
                most = more;
                at = k;
            }
        }
        if (at < 0 || most < GROWS_CM2 || areas.get(at - 1) < GROWS * areas.get(at - 2)) {
            return Optional.empty();
        }
        return Optional.of(String.format(
                Locale.ROOT,
                "The lit area grows from %.0f to %.0f cm² at layer %d.",
                areas.get(at - 2),
                areas.get(at - 1),
                at));
    }

    private static Set<String> facts(List<FileFinding> near, List<FileFinding> all) {
        Set<String> facts = new LinkedHashSet<>();
        add(facts, "island-there", near, x -> x.code() == Code.ISLAND);
        add(facts, "cup-there", near, x -> x.code() == Code.CUP || x.code() == Code.TRAPPED_RESIN);
        add(facts, "one-drain-or-none", near, x -> x.code() == Code.TRAPPED_RESIN);
        add(facts, "no-tilt", near, x -> x.code() == Code.FLAT_FACE);
        add(facts, "thin-there", near, x -> x.code() == Code.THIN_WALL);
        add(facts, "support-too-near", all, x -> x.code() == Code.SUPPORT_FUSED);
        add(facts, "grey-rows", all, x -> x.code() == Code.GREY_ROWS);
        add(facts, "on-spot", all, x -> x.code() == Code.ON_SPOT);
        if (all.stream().allMatch(x -> x.severity() == Severity.NOTE)) {
            facts.add("file-read-clean");
        }
        return facts;
    }

    private static void add(Set<String> facts, String fact, List<FileFinding> findings, Predicate<FileFinding> which) {
        if (findings.stream().anyMatch(which)) {
            facts.add(fact);
        }
    }
}
