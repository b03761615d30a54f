package keel.core.run;

import java.util.Arrays;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** How much detail a job needs: a hazy film will do for a block and not for lettering. Common practice, no source. */
public enum Detail {
    ROUGH("Rough", 0.32),
    USUAL("Usual", 0.22),
    FINE("Fine", 0.15);

    private final String words;
    private final double bearsLoss;

    Detail(String words, double bearsLoss) {
        this.words = words;
        this.bearsLoss = bearsLoss;
    }

    /** By its name, in any case; empty for none of them. */
    public static Optional<Detail> named(@Nullable String name) {
        return Arrays.stream(values())
                .filter(d -> d.name().equalsIgnoreCase(name == null ? "" : name.strip()))
                .findFirst();
    }

    public String words() {
        return words;
    }

    /** Loss of light ln(new/now) beyond what the exposure makes up at which every second such print fails. */
    public double bearsLoss() {
        return bearsLoss;
    }
}
