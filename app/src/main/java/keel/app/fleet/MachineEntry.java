package keel.app.fleet;

import java.time.Instant;
import java.util.Arrays;
import keel.core.Findings;

/**
 * A machine as it is typed in, with what stands on it when it is taken over. The baselines are asked for once, when it
 * is added; afterwards only name, room and levelling change.
 *
 * @param levellingSchool PAPER, ON_FILM or SELF
 * @param sievesAfterEachPrint whether resin is sieved after every print, rather than after failures and on signs
 * @param since when it came into the shop; null for now
 * @param filmHours hours of its film or tank, null where nobody knows; the same of screen and light engine
 * @param before what is known of its upkeep
 */
public record MachineEntry(
        String name,
        String model,
        String room,
        String levellingSchool,
        boolean levelsAfterEachPrint,
        boolean sievesAfterEachPrint,
        Instant since,
        double baselineHours,
        String filmMaterial,
        double filmThicknessMm,
        Double filmHours,
        Double screenUvHours,
        Double lightHours,
        Before before) {

    public static final MachineEntry EMPTY = new MachineEntry(
            "", "", "", "PAPER", false, false, null, 0, "FEP", 0.127, null, null, null, Before.UNKNOWN);

    /**
     * What was done to it before it came on record.
     *
     * @param lubricatedH print hours since the Z axis was lubricated, null where nobody knows
     * @param abradedH print hours since the plate was abraded or new, null where nobody knows
     * @param vatEmpty whether its vat is empty; false where it is not, or nobody said
     */
    public record Before(Double lubricatedH, Double abradedH, boolean vatEmpty) {

        public static final Before UNKNOWN = new Before(null, null, false);
        /** Out of the box. */
        public static final Before NEW = new Before(0.0, 0.0, true);

        void check(Findings findings) {
            findings.rangeIfGiven(lubricatedH, 0, 200_000, "lubricatedH", "Hours since it was greased", "h");
            findings.rangeIfGiven(abradedH, 0, 200_000, "abradedH", "Hours since its plate was abraded", "h");
        }
    }

    Findings findings(Instant now) {
        Findings findings = new Findings();
        findings.text(name, 80, "name", "The name of the machine");
        boolean school =
                Arrays.stream(Machine.School.values()).anyMatch(s -> s.name().equals(levellingSchool));
        findings.when(!school, "levellingSchool", "Choose how this machine is levelled.");
        findings.when(since != null && since.isAfter(now), "since", "It cannot have come into the shop in the future.");
        findings.range(baselineHours, 0, 200_000, "baselineHours", "Hours on its counter", "h");
        findings.rangeIfGiven(filmHours, 0, 200_000, "filmHours", "Hours of its film", "h");
        findings.rangeIfGiven(screenUvHours, 0, 200_000, "screenUvHours", "UV hours of its screen", "h");
        findings.rangeIfGiven(lightHours, 0, 200_000, "lightHours", "Hours of its light engine", "h");
        before.check(findings);
        findings.range(filmThicknessMm, 0.02, 1, "filmThicknessMm", "Thickness of its film", "mm");
        return findings;
    }
}
