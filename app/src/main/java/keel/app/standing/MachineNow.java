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
 * @param film film in the vat that is on, or the lining of the tank; null if none
 * @param screen screen that is fitted; null if none or the machine has none
 * @param run the run that is open, null if none
 * @param total print hours and so on of the machine itself, counter reading at take-over included
 * @param sinceRecords the same without that reading
 * @param sinceLubricated usage since the Z axis was lubricated
 * @param sinceAbraded usage since the plate was abraded or replaced
 * @param sinceLevelled usage since the plate was levelled
 * @param hoursPerDay print hours a day over the last four weeks
 * @param worn film or tank, screen and light engine, with how long such parts last
 * @param uvShare UV hours in a print hour
 */
public record MachineNow(
        long id,
        String code,
        String name,
        MachineKind kind,
        String model,
        String room,
        String roomName,
        double plateWidthMm,
        double plateDepthMm,
        double plateHeightMm,
        Double fillLineMl,
        Instant since,
        Standing standing,
        List<Hold> holds,
        PartView vat,
        PartView film,
        PartView screen,
        PartView plate,
        PartView light,
        OpenRun run,
        String resin,
        double resinMl,
        Usage total,
        Usage sinceRecords,
        Usage sinceLubricated,
        Usage sinceAbraded,
        Usage sinceLevelled,
        Instant levelledAt,
        double hoursPerDay,
        boolean holdNextPartToLight,
        List<PartUse> worn,
        double uvShare) {

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
        return kind.hasScreen();
    }
}
