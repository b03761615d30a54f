package keel.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import keel.app.base.Paging;
import keel.app.failures.FailureView;
import keel.app.failures.Failures;
import keel.app.people.Actor;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.shell.ShopClock;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.starting.JobFiles;
import keel.app.starting.SlicedFiles;
import keel.sim.instrument.SlicedSample;
import org.springframework.stereotype.Component;

/** Sliced files at Saltmarsh: of jobs that wait, and of prints that failed by what stood in their files. */
@Component
class FilesRead {

    private static final double PIXEL_MM = 0.4;
    private static final double LAYER_MM = 0.1;
    private static final double FINE_MM = 0.05;
    private static final double BEFORE_MM = 1.5;
    private static final int LATELY = 200;

    private final SlicedFiles files;
    private final JobFiles jobs;
    private final Runs runs;
    private final Failures failures;
    private final Standings standings;
    private final ShopClock clock;

    FilesRead(SlicedFiles files, JobFiles jobs, Runs runs, Failures failures, Standings standings, ShopClock clock) {
        this.files = files;
        this.jobs = jobs;
        this.runs = runs;
        this.failures = failures;
        this.standings = standings;
        this.clock = clock;
    }

    void tell(Instant now, Map<String, Actor> actors) {
        clock.tell(now.minus(Duration.ofHours(2)));
        Replay.as(actors.get("operator"));
        MachineNow m = standings.of("avocet");
        double x = m.plateWidthMm() / 2;
        double y = m.plateDepthMm() / 2;
        read("Mayfly nymph set.zip", m, 300, LAYER_MM, SlicedSample.legged(x, y, 11, 30));
        read("Gate keep pattern.zip", m, 270, LAYER_MM, SlicedSample.shutBlock(x, y));
        read("River limpet tray.zip", m, 140, LAYER_MM, SlicedSample.domes(x, y, 5, 3));
        faults("no-drain")
                .filter(f -> f.failedAtLayer() != null)
                .findFirst()
                .ifPresent(f -> failed(
                        f,
                        (x1, y1, tall) ->
                                SlicedSample.mug(x1, y1, Math.max(1, f.failedAtLayer() * FINE_MM - BEFORE_MM), tall)));
        faults("flat-orientation").findFirst().ifPresent(f -> failed(f, SlicedSample::flatBlock));
        faults(null).findFirst().ifPresent(f -> failed(f, (x1, y1, tall) -> SlicedSample.domes(x1, y1, 4, 3)));
    }

    /** Prints that failed by a cause, null for those of which none is named yet; the latest first. */
    private Stream<FailureView> faults(String cause) {
        return failures.list(null, false, new Paging(0, LATELY)).stream()
                .filter(f -> Objects.equals(cause, f.cause()) && f.run() != null);
    }

    /** What it printed, by the middle of the plate and how tall it stood. */
    private interface Printed {
        SlicedSample.Thing of(double x, double y, double tallMm);
    }

    private void failed(FailureView failure, Printed what) {
        RunView run = runs.one(failure.run());
        MachineNow m = standings.of(run.machine());
        SlicedSample.Thing thing = what.of(m.plateWidthMm() / 2, m.plateDepthMm() / 2, run.layers() * FINE_MM);
        jobs.printed(run.id(), read(run.job() + ".zip", m, run.layers(), FINE_MM, thing));
    }

    private String read(String name, MachineNow m, int layers, double layerMm, SlicedSample.Thing thing) {
        SlicedSample.Sheet sheet =
                new SlicedSample.Sheet(m.plateWidthMm(), m.plateDepthMm(), PIXEL_MM, layerMm, layers);
        try {
            Path file = Files.createTempFile("sliced", ".zip");
            try {
                Files.write(file, SlicedSample.of(sheet, thing));
                return files.check(file, new SlicedFiles.Asked(name, null, null, null, m.code()))
                        .hash();
            } finally {
                Files.deleteIfExists(file);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
