package keel.app.standing;

import java.time.Instant;
import java.util.List;
import keel.core.exposure.PrintTime;
import keel.core.standing.Hold;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;
import keel.core.standing.Standing;
import keel.core.wear.Usage;

/**
 * A machine as it stands now, put together from what was derived from its records.
 *
 * @param machine what it is and where it stands
 * @param fitted the parts that are on it
 * @param vessel what is in its vat or tank
 * @param run the run that is open, null if none
 * @param meters what it has done since when
 * @param holdNextPartToLight whether the next part must be held to the light
 * @param worn film or tank, screen and light engine, with how long such parts last
 * @param uvShare UV hours in a print hour
 * @param notKnown what nobody said of it yet
 */
public record MachineNow(
        Named machine,
        Standing standing,
        List<Hold> holds,
        FittedParts fitted,
        Vessel vessel,
        OpenRun run,
        Meters meters,
        boolean holdNextPartToLight,
        List<PartUse> worn,
        double uvShare,
        List<NotKnown> notKnown) {

    /** What a machine is called, of which model it is, and where it stands. */
    public record Named(
            long id,
            String code,
            String name,
            MachineKind kind,
            String model,
            String room,
            String roomName,
            PlateSize plate,
            Instant since) {}

    /** How large the plate is and how high it travels, mm. */
    public record PlateSize(double widthMm, double depthMm, double heightMm) {}

    /**
     * The parts that are on it, each null where there is none.
     *
     * @param film film in the vat that is on, or the lining of the tank
     * @param screen null too where the machine has none
     */
    public record FittedParts(PartView vat, PartView film, PartView screen, PartView plate, PartView light) {}

    /**
     * What is in its vat or tank.
     *
     * @param resin its name, null while empty or unknown
     * @param fillLineMl how much fills it, null where nobody measured
     */
    public record Vessel(String resin, double ml, Double fillLineMl) {}

    /**
     * What it has done.
     *
     * @param total print hours and so on of the machine itself, counter reading at take-over included
     * @param sinceRecords the same without that reading
     * @param sinceLubricated usage since the Z axis was lubricated; since the machine came where nobody knows
     * @param sinceAbraded usage since the plate was abraded or replaced; since the machine came where nobody knows
     * @param sinceLevelled usage since the plate was levelled
     * @param levelledAt null where it never was
     * @param hoursPerDay print hours a day over the last four weeks
     */
    public record Meters(
            Usage total,
            Usage sinceRecords,
            Usage sinceLubricated,
            Usage sinceAbraded,
            Usage sinceLevelled,
            Instant levelledAt,
            double hoursPerDay) {}

    /** Whether it is on record, so that it counts as evidence. */
    public boolean knows(NotKnown.About about) {
        return notKnown.stream().noneMatch(n -> n.about() == about);
    }

    public long id() {
        return machine.id();
    }

    public String code() {
        return machine.code();
    }

    public String name() {
        return machine.name();
    }

    public MachineKind kind() {
        return machine.kind();
    }

    public String model() {
        return machine.model();
    }

    public String room() {
        return machine.room();
    }

    public String roomName() {
        return machine.roomName();
    }

    public Instant since() {
        return machine.since();
    }

    public double plateWidthMm() {
        return machine.plate().widthMm();
    }

    public double plateDepthMm() {
        return machine.plate().depthMm();
    }

    public double plateHeightMm() {
        return machine.plate().heightMm();
    }

    public PartView vat() {
        return fitted.vat();
    }

    public PartView film() {
        return fitted.film();
    }

    public PartView screen() {
        return fitted.screen();
    }

    public PartView plate() {
        return fitted.plate();
    }

    public PartView light() {
        return fitted.light();
    }

    public String resin() {
        return vessel.resin();
    }

    public double resinMl() {
        return vessel.ml();
    }

    public Double fillLineMl() {
        return vessel.fillLineMl();
    }

    public Usage total() {
        return meters.total();
    }

    public Usage sinceRecords() {
        return meters.sinceRecords();
    }

    public Usage sinceLubricated() {
        return meters.sinceLubricated();
    }

    public Usage sinceAbraded() {
        return meters.sinceAbraded();
    }

    public Usage sinceLevelled() {
        return meters.sinceLevelled();
    }

    public Instant levelledAt() {
        return meters.levelledAt();
    }

    public double hoursPerDay() {
        return meters.hoursPerDay();
    }

    /**
     * A run that is going on.
     *
     * @param expectedEnd when it should be done, null while nothing is known of its pace
     * @param timing of its layers, by its profile or by the pace of this machine's earlier layers; null while nothing
     *     is known
     * @param layerMm layer height, null without a profile
     */
    public record OpenRun(
            long id,
            String job,
            Instant startedAt,
            int layers,
            Instant expectedEnd,
            PrintTime.Settings timing,
            Double layerMm) {}

    /** Film, or lining of its tank, with its life; null if none is in. */
    public PartUse liningUse() {
        PartUse film = worn(PartUse.UsedPart.FILM);
        return film == null ? worn(PartUse.UsedPart.TANK) : film;
    }

    /** Its screen with its life; null if none is in. */
    public PartUse screenUse() {
        return worn(PartUse.UsedPart.SCREEN);
    }

    /** A part with its life; null if it has none. */
    public PartUse worn(PartUse.UsedPart part) {
        return worn.stream().filter(u -> u.part() == part).findFirst().orElse(null);
    }

    /** Whether it prints with a screen that wears. */
    public boolean hasScreen() {
        return kind().hasScreen();
    }
}
