package keel.core.air;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;
import keel.core.Findings;

/**
 * What a fan moves through its ducts, and what that means for a room. Only the losses that are named count; the fan is
 * piecewise linear through its points, and beyond the last one goes on as before until its pressure is gone.
 *
 * <p>Purge: t = −k·ln(1 − e)/N (CDC, Guidelines for Environmental Infection Control in Health-Care Facilities,
 * 2003, table B.1).
 *
 * @param flowM3H where fan and resistance meet
 * @param pressurePa of the fan there
 * @param velocityMs in each duct
 * @param airChangesPerHour of the room
 * @param purgeMinutes until 90, 99, 99.9 % of what is in the air are gone
 * @param meetings all flows at which fan and resistance meet, the one that is taken first
 * @param why which of several is taken, and why; null where there is one
 */
public record AirPlan(
        double flowM3H,
        double pressurePa,
        List<Double> velocityMs,
        double airChangesPerHour,
        Map<String, Double> purgeMinutes,
        List<Meeting> meetings,
        String why) {

    private static final Map<String, Double> PURGED = purged();
    private static final int BISECTIONS = 200;
    private static final int MOST = 500;
    private static final double EXTENDS = 50;

    /** The room: how badly its air mixes is 1 for perfectly, up to 10. */
    public record Room(Double volumeM3, Double mixingFactor) {}

    /** A rated point of a fan. */
    public record Point(Double flowM3H, Double pressurePa) {}

    /** A fitting: K on the velocity pressure in an opening of that diameter. */
    public record Fitting(Double k, Double diameterMm) {}

    /** What is planned; mixing factor, ducts and fittings may be null. */
    public record Question(Room room, List<Point> fan, List<Duct> ducts, List<Fitting> fittings) {

        /** What cannot be, at the fields as the open interface calls them. */
        public void check(Findings findings) {
            boolean noRoom = findings.when(room == null, "room", "The room is missing.");
            boolean noFan = findings.when(
                    fan == null || fan.size() < 2, "fan.points", "A fan takes two rated points at least.");
            if (noRoom || noFan) {
                return;
            }
            findings.range(room.volumeM3(), 0.1, 1e6, "room.volumeM3", "The volume of the room", "m³");
            if (room.mixingFactor() != null) {
                findings.range(room.mixingFactor(), 1, 20, "room.mixingFactor", "The mixing factor", "");
            }
            findings.when(
                    fan.size() + size(ducts) + size(fittings) > MOST, "fan.points", "More than " + MOST + " parts.");
            for (int i = 0; i < fan.size(); i++) {
                Point p = fan.get(i);
                if (!findings.when(p == null, "fan.points[" + i + "]", "A point of the fan is missing.")) {
                    findings.range(p.flowM3H(), 0, 1e6, "fan.points[" + i + "].flowM3H", "A flow of the fan", "m³/h");
                    findings.range(
                            p.pressurePa(), 0, 1e5, "fan.points[" + i + "].pressurePa", "A pressure of the fan", "Pa");
                }
            }
            if (findings.none()) {
                findings.when(
                        fan.stream().map(Point::flowM3H).distinct().count() < fan.size(),
                        "fan.points",
                        "Two points of the fan have the same flow.");
            }
            for (int i = 0; i < size(ducts); i++) {
                Duct d = ducts.get(i);
                if (!findings.when(d == null, "ducts[" + i + "]", "A duct is missing.")) {
                    findings.range(
                            d.diameterMm(), 5, 5000, "ducts[" + i + "].diameterMm", "The diameter of a duct", "mm");
                    findings.range(d.lengthM(), 0, 1e4, "ducts[" + i + "].lengthM", "The length of a duct", "m");
                    findings.range(
                            d.roughnessMm(),
                            0,
                            d.diameterMm() > 0 ? d.diameterMm() / 4 : 1,
                            "ducts[" + i + "].roughnessMm",
                            "The roughness of a duct",
                            "mm");
                    findings.range(
                            d.flexCompression(),
                            0,
                            90,
                            "ducts[" + i + "].flexCompression",
                            "The compression of a duct",
                            "%");
                }
            }
            for (int i = 0; i < size(fittings); i++) {
                Fitting f = fittings.get(i);
                if (!findings.when(f == null, "fittings[" + i + "]", "A fitting is missing.")) {
                    findings.range(f.k(), 0, 1e4, "fittings[" + i + "].k", "K of a fitting", "");
                    findings.range(
                            f.diameterMm(),
                            5,
                            5000,
                            "fittings[" + i + "].diameterMm",
                            "The diameter of a fitting",
                            "mm");
                }
            }
        }

        private static int size(List<?> list) {
            return list == null ? 0 : list.size();
        }

        /** Loss of all ducts and fittings at a flow, Pa. */
        public double lossPa(double flowM3H) {
            double loss = 0;
            if (ducts != null) {
                for (Duct d : ducts) {
                    loss += d.lossPa(flowM3H);
                }
            }
            if (fittings != null) {
                for (Fitting f : fittings) {
                    double v = Duct.velocity(flowM3H, f.diameterMm());
                    loss += f.k() * Duct.DENSITY * v * v / 2;
                }
            }
            return loss;
        }
    }

    /**
     * @param q that passed {@link Question#check}
     * @throws IllegalArgumentException with a sentence, if the fan never meets the resistance
     */
    public static AirPlan of(Question q) {
        return plan(q, meetings(q.fan(), q::lossPa));
    }

    /** Where a fan and what resists it meet; {@code holds} whether the flow comes back there when it is disturbed. */
    public record Meeting(double flowM3H, double pressurePa, boolean holds) {}

    /**
     * Where the fan comes to rest: see {@link #meetings}.
     *
     * @throws IllegalArgumentException with a sentence, if they never meet
     */
    public static Meeting meet(List<Point> fan, DoubleUnaryOperator loss) {
        return meetings(fan, loss).get(0);
    }

    /**
     * All places where fan and resistance meet. A curve with a dip may meet it three times, and the middle one does not
     * hold. A fan that starts from rest comes to the first that holds, so that one stands first: it is also the one
     * that promises least.
     *
     * @param fan two points at least, of different flows
     * @param loss Pa at a flow, m³/h; grows with it
     * @throws IllegalArgumentException with a sentence, if they never meet
     */
    public static List<Meeting> meetings(List<Point> fan, DoubleUnaryOperator loss) {
        List<Point> curve = extended(
                fan.stream().sorted(Comparator.comparing(Point::flowM3H)).toList());
        List<Meeting> meetings = new ArrayList<>();
        for (int i = 1; i < curve.size(); i++) {
            Point left = curve.get(i - 1);
            Point right = curve.get(i);
            double before = left.pressurePa() - loss.applyAsDouble(left.flowM3H());
            double after = right.pressurePa() - loss.applyAsDouble(right.flowM3H());
            if (before > 0 != after > 0 || before == 0 && i == 1 || after == 0 && i == curve.size() - 1) {
                double flow = meets(loss, left, right, before > 0 || before == 0 && after <= 0);
                meetings.add(new Meeting(flow, between(left, right, flow), before >= after));
            }
        }
        if (meetings.stream().noneMatch(Meeting::holds)) {
            throw new IllegalArgumentException(
                    curve.get(0).pressurePa() < loss.applyAsDouble(curve.get(0).flowM3H())
                            ? "The fan cannot reach this resistance: even its smallest flow asks for more pressure "
                                    + "than it has."
                            : "The fan's last point still has pressure and its curve does not fall: say a point of "
                                    + "larger flow.");
        }
        meetings.sort(Comparator.comparing((Meeting m) -> !m.holds()).thenComparing(Meeting::flowM3H));
        return meetings;
    }

    /** A curve whose last point still has pressure goes on as steeply as it fell. */
    private static List<Point> extended(List<Point> fan) {
        Point last = fan.get(fan.size() - 1);
        Point before = fan.get(fan.size() - 2);
        double slope = (last.pressurePa() - before.pressurePa()) / (last.flowM3H() - before.flowM3H());
        if (last.pressurePa() <= 0 || slope >= 0) {
            return fan;
        }
        double zero = last.flowM3H() - last.pressurePa() / slope;
        List<Point> longer = new ArrayList<>(fan);
        longer.add(new Point(
                Math.min(zero, EXTENDS * Math.max(1, last.flowM3H())),
                zero <= EXTENDS * Math.max(1, last.flowM3H())
                        ? 0.0
                        : between(before, last, EXTENDS * Math.max(1, last.flowM3H()))));
        return longer;
    }

    private static double between(Point left, Point right, double flow) {
        return left.pressurePa()
                + (right.pressurePa() - left.pressurePa())
                        * (flow - left.flowM3H())
                        / (right.flowM3H() - left.flowM3H());
    }

    private static double meets(DoubleUnaryOperator loss, Point left, Point right, boolean falling) {
        double low = left.flowM3H();
        double high = right.flowM3H();
        for (int i = 0; i < BISECTIONS && high - low > 1e-12 * Math.max(1, high); i++) {
            double middle = (low + high) / 2;
            if (between(left, right, middle) - loss.applyAsDouble(middle) >= 0 == falling) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }

    private static AirPlan plan(Question q, List<Meeting> meetings) {
        double flow = meetings.get(0).flowM3H();
        double pressure = meetings.get(0).pressurePa();
        double changes = flow / q.room().volumeM3();
        double k = q.room().mixingFactor() == null ? 1 : q.room().mixingFactor();
        Map<String, Double> minutes = new LinkedHashMap<>();
        PURGED.forEach((name, share) ->
                minutes.put(name, changes == 0 ? null : Double.valueOf(purgeMinutes(changes, share, k))));
        return new AirPlan(
                flow,
                pressure,
                q.ducts() == null
                        ? List.of()
                        : q.ducts().stream().map(d -> d.velocity(flow)).toList(),
                changes,
                minutes,
                meetings,
                why(meetings));
    }

    /** Which of several meetings is taken, and why; null for one. */
    static String why(List<Meeting> meetings) {
        long hold = meetings.stream().filter(Meeting::holds).count();
        return meetings.size() == 1
                ? null
                : String.format(
                        Locale.ROOT,
                        "Fan and resistance meet %d times. Taken is the smallest flow that holds, %.0f m³/h: a fan "
                                + "that starts from rest comes to it first.%s Its curve dips there; a larger duct or "
                                + "another fan keeps away from it.",
                        meetings.size(),
                        meetings.get(0).flowM3H(),
                        hold == 1
                                ? ""
                                : String.format(Locale.ROOT, " It may also run at %.0f m³/h.", largest(meetings)));
    }

    private static double largest(List<Meeting> meetings) {
        return meetings.stream().mapToDouble(Meeting::flowM3H).max().orElseThrow();
    }

    /** @param share that is gone, below 1; {@code mixing} from 1 on */
    public static double purgeMinutes(double changesPerHour, double share, double mixing) {
        return -mixing * Math.log(1 - share) / changesPerHour * 60;
    }

    private static Map<String, Double> purged() {
        Map<String, Double> shares = new LinkedHashMap<>();
        shares.put("90", 0.9);
        shares.put("99", 0.99);
        shares.put("99.9", 0.999);
        return shares;
    }
}
