package keel.sim.world;

import java.util.Map;
import keel.core.profile.Setting;
import keel.core.standing.MachineKind;

/**
 * A machine as it stands in the shop, as far as anybody can see.
 *
 * @param fillMl what its vat holds when it is full
 * @param runsADay on a working day, in the mean; above 1.5 at weekends too
 * @param sheets the maker's settings, by resin
 */
public record Site(
        String code,
        MachineKind kind,
        double widthMm,
        double depthMm,
        double heightMm,
        boolean selfLevelling,
        boolean selfFilling,
        String room,
        String school,
        boolean sieves,
        String resin,
        double fillMl,
        double runsADay,
        Before before,
        Map<String, Map<Setting, Double>> sheets) {

    /** What it had done when the story begins: hours of its film, UV hours of its screen, hours of its light. */
    public record Before(double filmHours, double screenUvHours, double lightHours) {}

    /** The same machine under another code, used more or less. */
    public Site called(String other, double otherRunsADay) {
        return new Site(
                other,
                kind,
                widthMm,
                depthMm,
                heightMm,
                selfLevelling,
                selfFilling,
                room,
                school,
                sieves,
                resin,
                fillMl,
                otherRunsADay,
                before,
                sheets);
    }
}
