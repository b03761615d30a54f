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
        double filmHours,
        double screenUvHours,
        double lightHours) {

    public static final MachineEntry EMPTY =
            new MachineEntry("", "", "", "PAPER", false, false, null, 0, "FEP", 0.127, 0, 0, 0);

    Findings findings(Instant now) {
        Findings findings = new Findings();
        findings.text(name, 80, "name", "The name of the machine");
        boolean school =
                Arrays.stream(Machine.School.values()).anyMatch(s -> s.name().equals(levellingSchool));
        findings.when(!school, "levellingSchool", "Choose how this machine is levelled.");
        findings.when(since != null && since.isAfter(now), "since", "It cannot have come into the shop in the future.");
        findings.range(baselineHours, 0, 200_000, "baselineHours", "Hours on its counter", "h");
        findings.range(filmHours, 0, 200_000, "filmHours", "Hours of its film", "h");
        findings.range(screenUvHours, 0, 200_000, "screenUvHours", "UV hours of its screen", "h");
        findings.range(lightHours, 0, 200_000, "lightHours", "Hours of its light engine", "h");
        findings.range(filmThicknessMm, 0.02, 1, "filmThicknessMm", "Thickness of its film", "mm");
        return findings;
    }
}
