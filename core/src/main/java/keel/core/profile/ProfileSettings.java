package keel.core.profile;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import keel.core.Findings;
import keel.core.exposure.PrintTime;

/** All settings of one version of a profile. Immutable. */
public final class ProfileSettings {

    private final Map<Setting, Double> values;

    /** A setting that differs between two versions. */
    public record Change(Setting setting, double before, double after) {}

    private ProfileSettings(Map<Setting, Double> values) {
        this.values = Collections.unmodifiableMap(new EnumMap<>(values));
    }

    /**
     * @param given setting to value; what a maker's sheet need not name may be left out
     * @throws IllegalArgumentException if {@link #check} finds anything
     */
    public static ProfileSettings of(Map<Setting, Double> given) {
        Findings findings = new Findings();
        check(given, findings);
        if (!findings.none()) {
            throw new IllegalArgumentException(findings.list().get(0).message());
        }
        return new ProfileSettings(complete(given));
    }

    /** Adds what is missing, out of its range or no whole number, at the settings' codes. */
    public static void check(Map<Setting, Double> given, Findings findings) {
        complete(given)
                .forEach((setting, value) -> findings.when(
                        findings.range(
                                        value,
                                        setting.low(),
                                        setting.high(),
                                        setting.code(),
                                        setting.label(),
                                        setting.unit())
                                && setting.whole()
                                && value != Math.rint(value),
                        setting.code(),
                        setting.label() + " is a whole number."));
    }

    private static Map<Setting, Double> complete(Map<Setting, Double> given) {
        Map<Setting, Double> all = new EnumMap<>(Setting.class);
        for (Setting setting : Setting.values()) {
            Double value = given.get(setting);
            all.put(setting, value == null ? setting.usual() : value);
        }
        return all;
    }

    public double value(Setting setting) {
        return Objects.requireNonNull(values.get(setting));
    }

    /** The same but for one setting. */
    public ProfileSettings with(Setting setting, double value) {
        Map<Setting, Double> other = new EnumMap<>(values);
        other.put(setting, value);
        return new ProfileSettings(other);
    }

    public Map<Setting, Double> values() {
        return values;
    }

    /** The settings that are other in {@code next}, in their usual order. */
    public List<Change> changesTo(ProfileSettings next) {
        List<Change> changes = new ArrayList<>();
        for (Setting setting : Setting.values()) {
            if (value(setting) != next.value(setting)) {
                changes.add(new Change(setting, value(setting), next.value(setting)));
            }
        }
        return changes;
    }

    /** Whether it knows of a slow release. */
    public boolean releasesSlowly() {
        return value(Setting.SLOW_RELEASE_S) > 0;
    }

    /** The release from a layer on, slow or as usual. */
    public PrintTime.Release release(int fromLayer, boolean slow) {
        return new PrintTime.Release(fromLayer, value(slow ? Setting.SLOW_RELEASE_S : Setting.RELEASE_S));
    }

    /** For how long such a job prints. */
    public PrintTime.Settings timing(int layers) {
        int bottom = Math.min(layers, (int) value(Setting.BOTTOM_LAYERS));
        return new PrintTime.Settings(
                layers,
                bottom,
                Math.min(layers - bottom, (int) value(Setting.TRANSITION_LAYERS)),
                value(Setting.BOTTOM_EXPOSURE_S),
                value(Setting.EXPOSURE_S),
                value(Setting.WAIT_BEFORE_S),
                value(Setting.WAIT_AFTER_S),
                value(Setting.LIFT_MM),
                value(Setting.LIFT_MM_PER_MIN),
                value(Setting.RETRACT_MM_PER_MIN),
                value(Setting.RELEASE_S));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof ProfileSettings s && s.values.equals(values);
    }

    @Override
    public int hashCode() {
        return values.hashCode();
    }

    @Override
    public String toString() {
        return values.toString();
    }
}
