package keel.core.screen;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.core.Findings;
import keel.core.profile.ProfileSettings;
import keel.core.profile.Setting;

/**
 * What stopwatch and ruler tell of a run without vat and plate, held against the profile. A difference is significant
 * beyond twice its uncertainty (JCGM 100:2008, coverage factor 2).
 */
public final class DryRun {

    private static final double COVERAGE = 2;
    private static final double ROUNDING = 1e-9;
    private static final double MOST = 10_000;

    private DryRun() {}

    /** What is measured; its unit stands in its name. */
    public enum ReadingKind {
        LIFT_MM("Lift", "liftMm"),
        LIFT_S("Time to lift", "liftS"),
        RETRACT_S("Time to come back", "retractS"),
        WAIT_BEFORE_S("Wait before the light", "waitBeforeS"),
        WAIT_AFTER_S("Wait after it", "waitAfterS"),
        EXPOSURE_S("Exposure", "exposureS");

        private final String words;
        private final String field;

        ReadingKind(String words, String field) {
            this.words = words;
            this.field = field;
        }

        /** Name of the field of a dry run that it stands in. */
        public String field() {
            return field;
        }

        public String unit() {
            return this == LIFT_MM ? "mm" : "s";
        }

        /** Standard uncertainty of one reading by hand. */
        public double atBest() {
            return this == LIFT_MM ? Repeated.RULER_MM : Repeated.STOPWATCH_S;
        }

        /** Whether it says something with the lift near zero. */
        public boolean withoutLift() {
            return this != LIFT_MM && this != LIFT_S && this != RETRACT_S;
        }

        public String words() {
            return words;
        }
    }

    /** Settings of the profile; null where it does not say. */
    public record Profile(
            Double liftMm,
            Double liftMmPerMin,
            Double retractMmPerMin,
            Double waitBeforeS,
            Double waitAfterS,
            Double exposureS) {

        /**
         * As a profile's settings say; with a vat that tilts or slides its release is no lift, and cannot be timed so.
         */
        public static Profile of(ProfileSettings s) {
            return new Profile(
                    s.value(Setting.LIFT_MM),
                    s.value(Setting.LIFT_MM_PER_MIN),
                    s.value(Setting.RETRACT_MM_PER_MIN),
                    s.value(Setting.WAIT_BEFORE_S),
                    s.value(Setting.WAIT_AFTER_S),
                    s.value(Setting.EXPOSURE_S));
        }

        /** What should be measured; null where the profile does not tell. */
        public Double expected(ReadingKind kind) {
            return switch (kind) {
                case LIFT_MM -> liftMm;
                case LIFT_S -> seconds(liftMmPerMin);
                case RETRACT_S -> seconds(retractMmPerMin);
                case WAIT_BEFORE_S -> waitBeforeS;
                case WAIT_AFTER_S -> waitAfterS;
                case EXPOSURE_S -> exposureS;
            };
        }

        private Double seconds(Double mmPerMin) {
            return liftMm == null || mmPerMin == null ? null : Double.valueOf(60 * liftMm / mmPerMin);
        }
    }

    /** A reading with its standard uncertainty, in the unit of its kind. */
    public record Reading(ReadingKind kind, double value, double uncertainty) {}

    /** A reading beside what the profile says. */
    public record Difference(
            ReadingKind kind, double expected, double measured, double uncertainty, boolean significant) {}

    /** What is wrong with profile and readings, by field; readings that the profile says nothing of among them. */
    public static void check(Profile profile, List<Reading> readings, Findings findings) {
        Map<String, Double> speeds = new LinkedHashMap<>();
        speeds.put("liftMm", profile.liftMm());
        speeds.put("liftMmPerMin", profile.liftMmPerMin());
        speeds.put("retractMmPerMin", profile.retractMmPerMin());
        speeds.forEach((name, value) -> {
            findings.rangeIfGiven(value, 0.001, MOST, "profile." + name, "A lift or a speed", "");
        });
        Map<String, Double> times = new LinkedHashMap<>();
        times.put("waitBeforeS", profile.waitBeforeS());
        times.put("waitAfterS", profile.waitAfterS());
        times.put("exposureS", profile.exposureS());
        times.forEach((name, value) -> {
            findings.rangeIfGiven(value, 0, MOST, "profile." + name, "A time", "s");
        });
        for (int i = 0; i < readings.size(); i++) {
            Reading r = readings.get(i);
            findings.range(r.value(), 0, MOST, "readings[" + i + "].value", "A reading", "");
            findings.range(r.uncertainty(), 0, MOST, "readings[" + i + "].uncertainty", "An uncertainty", "");
            findings.when(
                    profile.expected(r.kind()) == null,
                    "readings[" + i + "].kind",
                    r.kind().words() + " cannot be held against this profile: it does not say what it should be.");
        }
    }

    /** In the order of the readings, which must have passed {@link #check}. */
    public static List<Difference> differences(Profile profile, List<Reading> readings) {
        return readings.stream()
                .map(r -> {
                    double expected = profile.expected(r.kind());
                    return new Difference(
                            r.kind(),
                            expected,
                            r.value(),
                            r.uncertainty(),
                            Math.abs(r.value() - expected)
                                    > COVERAGE * r.uncertainty() + ROUNDING * Math.max(1, expected));
                })
                .toList();
    }
}
