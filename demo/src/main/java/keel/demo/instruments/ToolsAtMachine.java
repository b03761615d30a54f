package keel.demo.instruments;

import java.time.Instant;
import java.util.Optional;
import keel.app.fleet.MachineTools;
import keel.core.plate.PaperDrag;
import keel.core.screen.TestPicture;
import keel.sim.instrument.BenchTools;
import keel.sim.story.ToolBox;

/** The simulated instruments, laid to one machine at one moment. */
record ToolsAtMachine(ToolBox box, String machine, Instant at) implements MachineTools {

    @Override
    public double gauge(double xMm, double yMm) {
        return box.gauge(machine, xMm, yMm, at);
    }

    @Override
    public PaperDrag drag(double xMm, double yMm) {
        return box.drag(machine, xMm, yMm, at);
    }

    @Override
    public Slopes level() {
        BenchTools.Slopes slopes = box.level(machine, at);
        return new Slopes(slopes.acrossMmPerM(), slopes.alongMmPerM());
    }

    @Override
    public double calipers(double nominalMm, int time) {
        return box.calipers(machine, nominalMm, time, at);
    }

    @Override
    public double thickness(String resin, double exposureS) {
        return box.thickness(machine, resin, exposureS, at);
    }

    @Override
    public double exposureS(String resin) {
        return box.exposureS(machine, resin);
    }

    @Override
    public double resinMl() {
        return box.resinMl(machine, at);
    }

    @Override
    public double uv(double xMm, double yMm, boolean throughFilm) {
        return box.uv(machine, xMm, yMm, throughFilm, at);
    }

    @Override
    public Optional<byte[]> taps(boolean offCentre) {
        return box.taps(machine, offCentre, at);
    }

    @Override
    public Optional<byte[]> photograph(TestPicture picture) {
        return box.photograph(machine, picture, at);
    }
}
