package keel.sim.story;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.core.exposure.WorkingCurve;
import keel.core.plate.PaperDrag;
import keel.core.profile.Setting;
import keel.core.screen.TestPicture;
import keel.sim.chance.Chance;
import keel.sim.instrument.AirSensor;
import keel.sim.instrument.BenchTools;
import keel.sim.instrument.Camera;
import keel.sim.instrument.Microphone;
import keel.sim.shop.Happening;
import keel.sim.shop.Shop;
import keel.sim.world.Machine;
import org.hipparchus.util.FastMath;

/**
 * All instruments over a simulated shop as its history left it, followed on by what has been done to it since. A
 * reading at the same place and moment is the same again.
 */
public final class ToolBox {

    private static final double NEEDED_DEPTH_MM = 0.11;
    private static final double MICROMETER_SD_MM = 0.003;
    private static final Duration A_DAY = Duration.ofHours(24);

    private final Shop.History history;
    private final Chance chance;

    public ToolBox(Shop.History history, long seed) {
        this.history = history;
        this.chance = Chance.of(seed).stream("instruments");
    }

    /**
     * What somebody has done to a machine since the history ended; kinds that change nothing that is measured are
     * passed over.
     */
    public synchronized void done(String machine, String service, Map<String, Object> values) {
        Machine m = history.machines().get(machine);
        if (m == null) {
            return;
        }
        switch (service) {
            case "LEVELLING" -> m.plate().level(m.site().selfLevelling(), false);
            case "FILM_CHANGE", "TANK_CHANGE" -> m.changeFilm(false);
            case "SCREEN_CHANGE" -> m.changeScreen();
            case "LUBRICATION" -> m.grease();
            case "STANCE_CHECKED" -> m.standFirm();
            case "PLATE_WORK" -> m.plate().abrade();
            case "CLEAN_UP" -> m.vat().sieve(0.95);
            case "PLATE_CLEARED" -> m.plate().handle(m.site().selfLevelling());
            default -> {}
        }
    }

    /** Whether the shop has such a machine: one that was added later has no truth to measure. */
    public boolean knows(String machine) {
        return history.machines().containsKey(machine);
    }

    /** Dial gauge, mm. */
    public synchronized double gauge(String machine, double xMm, double yMm, Instant at) {
        return BenchTools.gauge(
                machine(machine), xMm, yMm, at("gauge " + machine + ' ' + Math.round(xMm) + ' ' + Math.round(yMm), at));
    }

    /** How the paper drags at a place. */
    public synchronized PaperDrag drag(String machine, double xMm, double yMm, Instant at) {
        double gap = machine(machine).plate().gapMm(xMm, yMm)
                + at("paper " + machine + ' ' + Math.round(xMm) + ' ' + Math.round(yMm), at)
                        .normal(0, PaperDrag.SD_MM / 2);
        return gap > PaperDrag.LOOSE.heightMm() / 2
                ? PaperDrag.LOOSE
                : gap < PaperDrag.TIGHT.heightMm() / 2 ? PaperDrag.TIGHT : PaperDrag.RIGHT;
    }

    public synchronized BenchTools.Slopes level(String machine, Instant at) {
        return BenchTools.level(machine(machine), at("level " + machine, at));
    }

    /** Calipers, mm; the n-th time at this length. */
    public synchronized double calipers(String machine, double nominalMm, int time, Instant at) {
        return BenchTools.calipers(
                machine(machine), nominalMm, at("calipers " + machine + ' ' + nominalMm + ' ' + time, at));
    }

    /** Thickness that an exposure cures on this machine now, mm. */
    public synchronized double thickness(String machine, String resin, double exposureS, Instant at) {
        Machine m = machine(machine);
        double dp = history.parameters().resins().get(resin).depthMm();
        double criticalS = m.neededExposureS(resin) * FastMath.exp(-NEEDED_DEPTH_MM / dp);
        int middle = m.cells().count() / 2;
        double light = m.light().power(middle)
                * m.vat().film().transmittance(middle)
                / m.vat().film().clearTransmittance();
        double depth = new WorkingCurve(dp, criticalS).depthAt(exposureS * light);
        return FastMath.rint(1000
                        * FastMath.max(
                                0,
                                depth
                                        + at("micrometer " + machine + ' ' + exposureS, at)
                                                .normal(0, MICROMETER_SD_MM)))
                / 1000;
    }

    /** Settings that the simulated shop has in force for a resin. */
    public synchronized double exposureS(String machine, String resin) {
        return machine(machine).sheet(resin).get(Setting.EXPOSURE_S);
    }

    /** What is in the vat, ml: weighed, over the density on the bottle. */
    public synchronized double resinMl(String machine, Instant at) {
        double density = Saltmarsh.RESINS.stream()
                .filter(r ->
                        Saltmarsh.code(r.name()).equals(machine(machine).vat().resin()))
                .findFirst()
                .orElseThrow()
                .density();
        return BenchTools.scale(machine(machine), density, at("scale " + machine, at)) / density;
    }

    /** UV meter at a place, mW/cm². */
    public synchronized double uv(String machine, double xMm, double yMm, boolean throughFilm, Instant at) {
        return BenchTools.uv(
                machine(machine),
                xMm,
                yMm,
                throughFilm,
                at("uv " + machine + ' ' + Math.round(xMm) + ' ' + Math.round(yMm) + throughFilm, at));
    }

    /** Taps on the film, WAV; empty for a tank, whose floor cannot be taken out and tapped. */
    public synchronized Optional<byte[]> taps(String machine, boolean offCentre, Instant at) {
        return Saltmarsh.filmWindow(machine)
                .map(window -> Microphone.taps(
                        machine(machine).vat().film(),
                        window[0],
                        window[1],
                        Saltmarsh.FILM_MM,
                        offCentre,
                        at("taps " + machine + offCentre, at)));
    }

    /** The lit screen through paper, PNG; empty without a screen. */
    public synchronized Optional<byte[]> photograph(String machine, TestPicture picture, Instant at) {
        return Optional.ofNullable(
                Camera.photograph(machine(machine), picture, at("camera " + machine + picture.pattern(), at)));
    }

    /** What thermometer and hygrometer of a room show. */
    public record RoomReading(double temperatureC, double humidityPercent) {}

    /** Empty for a room that the shop does not have. */
    public synchronized Optional<RoomReading> room(String room, Instant at) {
        if (!history.rooms().codes().contains(room)) {
            return Optional.empty();
        }
        Chance reading = at("room " + room, at);
        return Optional.of(new RoomReading(
                BenchTools.thermometer(history.rooms().at(room, at), reading),
                BenchTools.hygrometer(history.rooms().at(room, at), reading)));
    }

    /** The last day of the sensor in a room, a minute a line; parts are washed when a print has ended. */
    public synchronized List<AirSensor.Minute> lastDay(String room, Instant until) {
        List<Instant> washes = history.happenings().stream()
                .filter(h -> h instanceof Happening.ServiceDone s
                        && s.kind().equals("PLATE_CLEARED")
                        && s.at().isAfter(until.minus(Duration.ofDays(2)))
                        && machine(s.machine()).site().room().equals(room))
                .map(Happening::at)
                .toList();
        return AirSensor.minutes(history.rooms(), room, until, A_DAY, washes, chance.stream("sensor"));
    }

    private Machine machine(String code) {
        return history.machines().get(code);
    }

    private Chance at(String instrument, Instant moment) {
        return chance.stream(instrument, moment.getEpochSecond());
    }
}
