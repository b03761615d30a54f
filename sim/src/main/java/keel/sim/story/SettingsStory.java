package keel.sim.story;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import keel.sim.shop.Happening;
import keel.sim.story.Saltmarsh.MachineSpec;

/**
 * How the shop's print settings began: with the makers' sheets, and on two machines with test pieces; and what its gate
 * asks besides.
 */
final class SettingsStory {

    private SettingsStory() {}

    static List<Happening> happenings(Instant start, Days days, List<MachineSpec> machines) {
        List<Happening> all = new ArrayList<>();
        Instant first = start.plus(Duration.ofHours(2));
        for (int i = 0; i < machines.size(); i++) {
            MachineSpec m = machines.get(i);
            all.add(begun(
                    first.plus(Duration.ofMinutes(4L * (i % Saltmarsh.MACHINES.size()))),
                    m.code(),
                    m.resin(),
                    m.code().equals("fulmar") || m.code().equals("godwit") ? "CALIBRATE" : "MAKER"));
        }
        all.add(new Happening.ThicknessMeasured(
                first.plus(Duration.ofMinutes(55)),
                "keeper",
                "fulmar",
                "cast-amber",
                new TreeMap<>(Map.of(0.8, 0.053, 1.6, 0.128, 3.2, 0.207, 6.4, 0.279))));
        all.add(begun(
                days.before(SaltmarshPlots.NEW_RESIN).plus(Duration.ofMinutes(32)),
                "fulmar",
                "silt-tough",
                "CALIBRATE"));
        all.add(new Happening.GateAsks(
                days.before(36),
                "keeper",
                "The mesh of the Annexe's fan is clear.",
                "ROOM",
                List.of("PROJECTOR", "LASER_TANK")));
        return all;
    }

    private static Happening begun(Instant at, String machine, String resin, String school) {
        return new Happening.ProfileBegun(
                at, "keeper", machine, resin, school, Sheets.of(machine).get(resin));
    }
}
