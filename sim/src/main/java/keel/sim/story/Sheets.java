package keel.sim.story;

import static keel.core.profile.Setting.BOTTOM_EXPOSURE_S;
import static keel.core.profile.Setting.BOTTOM_LAYERS;
import static keel.core.profile.Setting.EXPOSURE_S;
import static keel.core.profile.Setting.LAYER_MM;
import static keel.core.profile.Setting.LIFT_MM;
import static keel.core.profile.Setting.LIFT_MM_PER_MIN;
import static keel.core.profile.Setting.RELEASE_S;
import static keel.core.profile.Setting.RETRACT_MM_PER_MIN;
import static keel.core.profile.Setting.SCALE;
import static keel.core.profile.Setting.SLOW_RELEASE_S;
import static keel.core.profile.Setting.SMOOTHING;
import static keel.core.profile.Setting.TRANSITION_LAYERS;
import static keel.core.profile.Setting.WAIT_AFTER_S;
import static keel.core.profile.Setting.WAIT_BEFORE_S;

import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import keel.core.profile.Setting;

/**
 * The invented makers' sheets: settings for each resin on each machine, all layers coming to about six seconds besides
 * their light.
 */
final class Sheets {

    private Sheets() {}

    /** By resin; Avocet 2 has the settings of Avocet. */
    static Map<String, Map<Setting, Double>> of(String machine) {
        Map<String, Map<Setting, Double>> sheets = new LinkedHashMap<>();
        Saltmarsh.RESINS.forEach(r -> {
            String code = Saltmarsh.code(r.name());
            sheets.put(code, sheet(machine.replaceFirst("-\\d+$", ""), code));
        });
        return sheets;
    }

    private static Map<Setting, Double> sheet(String machine, String resin) {
        Map<Setting, Double> sheet = new EnumMap<>(Map.of(
                LAYER_MM,
                0.05,
                BOTTOM_LAYERS,
                5.0,
                BOTTOM_EXPOSURE_S,
                28.0,
                TRANSITION_LAYERS,
                6.0,
                EXPOSURE_S,
                2.3,
                WAIT_BEFORE_S,
                0.5,
                WAIT_AFTER_S,
                0.5,
                LIFT_MM,
                5.0,
                LIFT_MM_PER_MIN,
                100.0,
                RETRACT_MM_PER_MIN,
                150.0));
        sheet.putAll(Map.of(SMOOTHING, machine.equals("godwit") ? 0.0 : 4.0, RELEASE_S, 0.0, SCALE, 1.0));
        switch (machine) {
            case "dunlin", "egret" ->
                sheet.putAll(Map.of(
                        LIFT_MM,
                        2.0,
                        LIFT_MM_PER_MIN,
                        120.0,
                        RETRACT_MM_PER_MIN,
                        120.0,
                        RELEASE_S,
                        2.8,
                        SLOW_RELEASE_S,
                        4.6));
            case "fulmar" ->
                sheet.putAll(Map.of(EXPOSURE_S, resin.equals("silt-tough") ? 1.9 : 1.6, BOTTOM_EXPOSURE_S, 18.0));
            case "godwit" ->
                sheet.putAll(Map.of(
                        EXPOSURE_S,
                        3.2,
                        BOTTOM_EXPOSURE_S,
                        9.0,
                        LIFT_MM,
                        2.0,
                        LIFT_MM_PER_MIN,
                        120.0,
                        RETRACT_MM_PER_MIN,
                        120.0,
                        RELEASE_S,
                        3.0));
            default -> {}
        }
        return sheet;
    }
}
