package keel.core.plate;

import java.util.Arrays;
import java.util.Locale;

/** Coarse metric threads of levelling screws; pitch in mm. Source: ISO 261, coarse series. */
public enum ScrewThread {
    M3(0.5),
    M4(0.7),
    M5(0.8),
    M6(1.0);

    private final double pitchMm;

    ScrewThread(double pitchMm) {
        this.pitchMm = pitchMm;
    }

    public double pitchMm() {
        return pitchMm;
    }

    /** @throws IllegalArgumentException with a sentence, for a thread that is none of these */
    public static ScrewThread called(String name) {
        return Arrays.stream(values())
                .filter(t -> t.name().equals(name == null ? "" : name.strip().toUpperCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("The thread is M3, M4, M5 or M6, not " + name + "."));
    }
}
