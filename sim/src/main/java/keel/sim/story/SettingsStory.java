package keel.sim.story;

import static keel.core.profile.Setting.BOTTOM_EXPOSURE_S;
import static keel.core.profile.Setting.BOTTOM_LAYERS;
import static keel.core.profile.Setting.EXPOSURE_S;
import static keel.core.profile.Setting.LAYER_MM;
import static keel.core.profile.Setting.LIFT_MM;
import static keel.core.profile.Setting.LIFT_MM_PER_MIN;
import static keel.core.profile.Setting.RELEASE_S;
import static keel.core.profile.Setting.RETRACT_MM_PER_MIN;
import static keel.core.profile.Setting.SMOOTHING;
import static keel.core.profile.Setting.TRANSITION_LAYERS;
import static keel.core.profile.Setting.WAIT_AFTER_S;
import static keel.core.profile.Setting.WAIT_BEFORE_S;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import keel.core.profile.Setting;
import keel.sim.story.Saltmarsh.MachineSpec;

/**
 * The print settings of the shop: begun with the makers' sheets; during Bittern's bad fortnight more light and a slower lift
 * are tried against what were loose vat bolts, and taken back.
 */
final class SettingsStory {

    /** Days left of the story when Bittern's exposure is raised, raised again, and taken back. */
    private static final int BITTERN_MORE = 30;
    private static final int BITTERN_MOST = 25;
    static final int BITTERN_FOUND = 20;

    private static final int FULMAR_NEW_RESIN = 12;

    private final Instant end;
    private final ZoneId zone;

    SettingsStory(Instant end, ZoneId zone) {
        this.end = end;
        this.zone = zone;
    }

    /** Layer exposure that a run has when it is started, s. */
    double exposureS(MachineSpec machine, String resin, int daysLeft) {
        if (machine.code().equals("bittern") && daysLeft < BITTERN_MORE && daysLeft >= BITTERN_FOUND) {
            return daysLeft < BITTERN_MOST ? 2.9 : 2.5;
        }
        return sheet(machine.code(), resin).get(EXPOSURE_S);
    }

    List<Happening> happenings() {
        List<Happening> all = new ArrayList<>();
        Instant first = end.minus(Story.LENGTH).plus(Duration.ofHours(2));
        for (int i = 0; i < Saltmarsh.MACHINES.size(); i++) {
            MachineSpec m = Saltmarsh.MACHINES.get(i);
            String school = m.code().equals("fulmar") || m.code().equals("godwit") ? "CALIBRATE" : "MAKER";
            all.add(new Happening.ProfileBegun(first.plus(Duration.ofMinutes(4L * i)), "keeper", m.code(), m.resin(), school, sheet(m.code(), m.resin())));
        }
        all.add(new Happening.ThicknessMeasured(first.plus(Duration.ofMinutes(55)), "keeper", "fulmar", "cast-amber",
                new TreeMap<>(Map.of(0.8, 0.053, 1.6, 0.128, 3.2, 0.207, 6.4, 0.279))));
        all.add(change(40, "dunlin", "mussel-blue", Map.of(RELEASE_S, 3.5), "Slow mode of the tilt: large flat hinges tore."));
        all.add(change(BITTERN_MORE, "bittern", "reed-grey", Map.of(EXPOSURE_S, 2.5), "Layers apart again. A little more light."));
        all.add(change(BITTERN_MOST, "bittern", "reed-grey", Map.of(EXPOSURE_S, 2.9, LIFT_MM_PER_MIN, 60.0), "Two advices at once: more light, slower lift."));
        all.add(new Happening.ProfileChanged(morning(BITTERN_FOUND).plus(Duration.ofMinutes(50)), "keeper", "bittern", "reed-grey", Map.of(), 1,
                "It was the vat bolts, not the light."));
        all.add(change(44, "curlew", "reed-grey", Map.of(BOTTOM_EXPOSURE_S, 32.0), "Bases lifted at the back edge."));
        all.add(new Happening.ProfileBegun(morning(FULMAR_NEW_RESIN).plus(Duration.ofMinutes(32)), "keeper", "fulmar", "silt-tough", "CALIBRATE", sheet("fulmar", "silt-tough")));
        all.add(new Happening.GateAsks(morning(36), "keeper", "The mesh of the Annexe's fan is clear.", "ROOM", List.of("PROJECTOR", "LASER_TANK")));
        return all;
    }

    private Happening change(int daysLeft, String machine, String resin, Map<Setting, Double> changes, String why) {
        return new Happening.ProfileChanged(morning(daysLeft).minus(Duration.ofMinutes(5)), "keeper", machine, resin, changes, null, why);
    }

    private Instant morning(int daysLeft) {
        return end.atZone(zone).toLocalDate().minusDays(daysLeft).atTime(7, 15).atZone(zone).toInstant();
    }

    /** What the maker's sheet says, all layers coming to about six seconds besides their light. */
    private static Map<Setting, Double> sheet(String machine, String resin) {
        Map<Setting, Double> sheet = new EnumMap<>(Map.of(LAYER_MM, 0.05, BOTTOM_LAYERS, 5.0, BOTTOM_EXPOSURE_S, 28.0, TRANSITION_LAYERS, 6.0, EXPOSURE_S, 2.3,
                WAIT_BEFORE_S, 0.5, WAIT_AFTER_S, 0.5, LIFT_MM, 5.0, LIFT_MM_PER_MIN, 100.0, RETRACT_MM_PER_MIN, 150.0));
        sheet.put(SMOOTHING, machine.equals("godwit") ? 0.0 : 4.0);
        switch (machine) {
            case "dunlin", "egret" -> sheet.putAll(Map.of(LIFT_MM, 2.0, LIFT_MM_PER_MIN, 120.0, RETRACT_MM_PER_MIN, 120.0, RELEASE_S, 2.8));
            case "fulmar" -> sheet.putAll(Map.of(EXPOSURE_S, resin.equals("silt-tough") ? 1.9 : 1.6, BOTTOM_EXPOSURE_S, 18.0));
            case "godwit" -> sheet.putAll(Map.of(EXPOSURE_S, 3.2, BOTTOM_EXPOSURE_S, 9.0, LIFT_MM, 2.0, LIFT_MM_PER_MIN, 120.0, RETRACT_MM_PER_MIN, 120.0,
                    RELEASE_S, 3.0));
            default -> { }
        }
        return sheet;
    }
}
