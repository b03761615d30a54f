package keel.core.gate;

import java.util.List;
import keel.core.resin.VatFill;
import keel.core.resin.Warmth;
import keel.core.run.Detail;
import keel.core.standing.Hold;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;

/**
 * What the records know before a print starts. What is not known is null.
 *
 * @param parts film or tank, and screen, with their use
 * @param jobHours how long the job will take, h
 * @param detail how much it needs
 * @param uvShare UV hours in a print hour
 * @param resin name of the resin in the vat
 * @param resinMl how much is in the vat, ml
 * @param jobMl how much the job takes, ml
 * @param fillLineMl what the vat may hold, ml
 * @param selfFilling whether the machine fills itself
 * @param warmth how warm the resin is, by itself or by the room; null where neither was read
 * @param readHoursAgo how long ago that was read
 * @param printsSinceLevelling prints since the plate was levelled
 * @param levelled whether it was ever levelled on record
 * @param lastFailed whether the last print failed
 * @param changedSince whether anything was changed since it did
 * @param holdNextToLight whether the next part must be held to the light
 * @param profile settings for this resin on this machine, null if there are none
 * @param jobExposureS layer exposure of the job, s
 * @param vat how full the vat gets, null where its size is not known
 * @param stoodDays since the resin was last moved, by a print, a pour or a sieve; null if not known
 * @param own questions that the shop added itself
 */
public record GateFacts(
        MachineKind kind,
        List<Hold> holds,
        List<PartUse> parts,
        double jobHours,
        Detail detail,
        double uvShare,
        String resin,
        Double resinMl,
        Double jobMl,
        Double fillLineMl,
        boolean selfFilling,
        Warmth warmth,
        Double readHoursAgo,
        long printsSinceLevelling,
        boolean levelled,
        boolean lastFailed,
        boolean changedSince,
        boolean holdNextToLight,
        Profile profile,
        Double jobExposureS,
        Vat vat,
        Double stoodDays,
        List<GateItem> own) {

    /**
     * The profile in force.
     *
     * @param version its number
     * @param exposureS its layer exposure, s
     * @param runs runs with this version that ended
     * @param good those that came out
     */
    public record Profile(int version, double exposureS, int runs, int good) {}

    /**
     * The vat and what goes down into it.
     *
     * @param fill its inside
     * @param plate what the plate displaces
     */
    public record Vat(VatFill fill, VatFill.Displacer plate) {}
}
