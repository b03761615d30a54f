package keel.app.starting;

import java.util.ArrayList;
import java.util.List;
import keel.app.fleet.Fleet;
import keel.app.screen.ScreenSpots;
import keel.app.standing.MachineNow;
import keel.core.preflight.FileFinding;
import keel.core.preflight.FileFinding.Code;
import keel.core.preflight.Limits;
import keel.core.preflight.MachineFindings;
import org.springframework.stereotype.Component;

/** What a file is held against on a machine, as that is now. */
@Component
class FileLimits {

    private final ScreenSpots spots;
    private final Fleet fleet;

    FileLimits(ScreenSpots spots, Fleet fleet) {
        this.fleet = fleet;
        this.spots = spots;
    }

    /** @param m null where no machine is named */
    Limits of(MachineNow m) {
        return m == null
                ? Limits.NONE
                : new Limits(
                        m.plateHeightMm(),
                        there(m),
                        spots.last(m).map(ScreenSpots.Last::spots).orElse(List.of()));
    }

    /** Null where nothing is known to be in the vat, and where the machine fills it by itself. */
    private Double there(MachineNow m) {
        return m.resin() == null || fleet.machine(m.code()).selfFilling() ? null : Double.valueOf(m.resinMl());
    }

    /** What was found in it, with what speaks against this machine in place of the one that it was read for. */
    List<FileFinding> findings(SlicedFiles.Checked file, MachineNow m) {
        List<FileFinding> findings = new ArrayList<>(file.findings().stream()
                .filter(f -> file.outline() == null || !ofMachine(f.code()))
                .toList());
        if (m != null && file.outline() != null) {
            findings.addAll(MachineFindings.of(file.report(), of(m)));
        }
        findings.sort(FileFinding.WORST_FIRST);
        return List.copyOf(findings);
    }

    private static boolean ofMachine(Code code) {
        return code == Code.ON_SPOT || code == Code.TOO_TALL || code == Code.RESIN_SHORT;
    }
}
