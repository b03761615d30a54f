package keel.app.air;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.Typed;
import keel.core.Findings;
import keel.core.air.AirPath;
import keel.core.air.AirPlan;
import keel.core.air.Fan;

/** The planner's form: what is typed, over what was kept, over what a shop usually begins with. */
public final class PlanForm {

    private static final Map<String, String> USUAL = usual();

    private final Map<String, String> typed;

    private PlanForm(Map<String, String> typed) {
        this.typed = typed;
    }

    static PlanForm of(Map<String, String> kept, Map<String, String> asked) {
        Map<String, String> all = new LinkedHashMap<>(USUAL);
        all.putAll(kept);
        if (asked.containsKey("fan")) {
            USUAL.keySet().forEach(k -> all.put(k, asked.getOrDefault(k, "")));
        }
        return new PlanForm(all);
    }

    private static Map<String, String> usual() {
        Map<String, String> usual = new LinkedHashMap<>();
        String[] pairs = {
            "gapCm2",
            "120",
            "outlets",
            "1",
            "outletMm",
            "75",
            "hose",
            "FLEX",
            "hoses",
            "1",
            "diameterMm",
            "100",
            "lengthM",
            "2.5",
            "compression",
            "15",
            "reducerMm",
            "",
            "bends",
            "2",
            "meshOpen",
            "70",
            "flaps",
            "true",
            "fanAt",
            "MACHINE",
            "fan",
            "bathroom-100",
            "ownFan",
            "",
            "washGPerH",
            "60",
            "washMinutes",
            "15",
            "spillMl",
            "200"
        };
        for (int i = 0; i < pairs.length; i += 2) {
            usual.put(pairs[i], pairs[i + 1]);
        }
        return usual;
    }

    public Map<String, String> typed() {
        return typed;
    }

    /** Adds what is wrong to {@code findings}; null then. */
    public AirPath path(Findings findings) {
        double outletMm = number("outletMm", 75, findings);
        double outlets = number("outlets", 1, findings);
        double hoses = number("hoses", 1, findings);
        double bends = number("bends", 0, findings);
        Double mesh = Typed.number(typed.get("meshOpen"), "meshOpen", findings);
        Fan fan = fan(findings);
        AirPath.Hose hose = List.of(AirPath.Hose.values()).stream()
                .filter(h -> h.name().equals(typed.get("hose")))
                .findFirst()
                .orElse(AirPath.Hose.FLEX);
        double diameter = number("diameterMm", 100, findings);
        double length = number("lengthM", 1, findings);
        double compression = number("compression", 0, findings);
        Double gap = Typed.number(typed.get("gapCm2"), "gapCm2", findings);
        Double reducer = Typed.number(typed.get("reducerMm"), "reducerMm", findings);
        if (fan == null || !findings.none()) {
            return null;
        }
        AirPath path = new AirPath(
                gap,
                (int) outlets,
                outletMm,
                hose,
                (int) hoses,
                diameter,
                length,
                compression,
                reducer,
                (int) bends,
                mesh == null ? null : Double.valueOf(mesh / 100),
                "true".equals(typed.get("flaps")),
                "WINDOW".equals(typed.get("fanAt")),
                fan);
        path.check(findings);
        return findings.none() ? path : null;
    }

    public double number(String field, double ifEmpty, Findings findings) {
        return Typed.number(typed.get(field), ifEmpty, field, findings);
    }

    /** One of the usual ones, or of its own points: {@code 0 45, 40 30, 75 0}. */
    private Fan fan(Findings findings) {
        String own = typed.getOrDefault("ownFan", "").strip();
        if (own.isEmpty()) {
            Fan fan = Fan.called(typed.get("fan")).orElse(null);
            findings.when(fan == null, "fan", "Choose a fan, or type the points of your own.");
            return fan;
        }
        List<AirPlan.Point> points = new ArrayList<>();
        for (String pair : own.split("[,;\n]")) {
            String[] words = pair.strip().split("\\s+");
            Double flow = words.length == 2 ? Typed.number(words[0], "ownFan", findings) : null;
            Double pressure = words.length == 2 ? Typed.number(words[1], "ownFan", findings) : null;
            if (flow == null || pressure == null || flow < 0 || pressure < 0 || flow > 1e5 || pressure > 1e5) {
                findings.add(
                        "ownFan", "Points of a fan are pairs, flow in m³/h and pressure in Pa: 0 45, 40 30, 75 0.");
                return null;
            }
            points.add(new AirPlan.Point(flow, pressure));
        }
        points.sort(Comparator.comparing(AirPlan.Point::flowM3H));
        return new Fan("own", "Own fan", number("diameterMm", 100, findings), points);
    }
}
