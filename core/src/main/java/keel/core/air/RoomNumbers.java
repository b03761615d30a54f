package keel.core.air;

import java.util.LinkedHashMap;
import java.util.Map;
import keel.core.Findings;

/**
 * What a flow of air means for a room in which prints are washed in isopropyl alcohol. For orientation, never a
 * clearance.
 *
 * @param changes an hour
 * @param purgeMinutes until such a share of what is in the air is gone, the least first
 * @param steadyPpm of vapour from washing, in the end; {@code afterPpm} after the wash
 * @param spillPpm if all of a spill is in the air at once; {@code spillShareOfLel} of what can burn
 * @param makeUpCm2 openings through which as much comes in at 1 m/s
 */
public record RoomNumbers(
        double changes,
        Map<String, Double> purgeMinutes,
        double steadyPpm,
        double afterPpm,
        double spillPpm,
        double spillShareOfLel,
        double makeUpCm2) {

    private static final double STRICTER_PPM = 200;
    private static final double USUAL_PPM = 400;
    private static final double MAKE_UP_MS = 1;

    /**
     * Against published limits of a working day, the stricter first: ACGIH 200 ppm; NIOSH and OSHA 400 ppm (from
     * memory).
     */
    public enum Limit {
        UNDER,
        OVER_STRICTER,
        OVER_USUAL
    }

    /** What is washed and spilled: g/h that evaporate, minutes of a wash, ml of a spill. */
    public record Work(double evaporationGPerH, double washMinutes, double spillMl) {

        public void check(Findings findings) {
            findings.range(evaporationGPerH, 0, 100_000, "washGPerH", "What evaporates", "g/h");
            findings.range(washMinutes, 0.1, 1440, "washMinutes", "The wash", "min");
            findings.range(spillMl, 0, 100_000, "spillMl", "The spill", "ml");
        }
    }

    /** @param flowM3H more than 0; {@code mixing} from 1 on, also thins the flow that vapour meets */
    public static RoomNumbers of(double volumeM3, double mixing, double flowM3H, Work work) {
        double changes = flowM3H / volumeM3;
        Map<String, Double> purge = new LinkedHashMap<>();
        for (double share : new double[] {0.9, 0.99, 0.999}) {
            purge.put(
                    (share == 0.999 ? "99.9" : String.valueOf(Math.round(100 * share))) + " %",
                    AirPlan.purgeMinutes(changes, share, mixing));
        }
        Vapour vapour = Vapour.of(
                new Vapour.Question(volumeM3, flowM3H / mixing, work.evaporationGPerH(), null, work.washMinutes()));
        double spill = Vapour.spillPpm(work.spillMl(), volumeM3);
        return new RoomNumbers(
                changes,
                purge,
                vapour.steadyPpm(),
                vapour.ppm(),
                spill,
                Vapour.shareOfLel(spill),
                flowM3H / 3600 / MAKE_UP_MS * 10_000);
    }

    public Limit limit() {
        return steadyPpm > USUAL_PPM ? Limit.OVER_USUAL : steadyPpm > STRICTER_PPM ? Limit.OVER_STRICTER : Limit.UNDER;
    }
}
