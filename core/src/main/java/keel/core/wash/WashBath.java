package keel.core.wash;

import org.jspecify.annotations.Nullable;

/**
 * A bath since it was filled: how much resin is dissolved in it, and how many more prints it takes. Resin that is
 * carried in stays in; what evaporates is not reckoned.
 *
 * <p>A hydrometer sees resin and water alike, both make alcohol denser: its reading is one combined sign, told as
 * either. Limit and the carried share are common practice, no source.
 *
 * @param volumeMl as it was filled
 * @param freshDensity g/ml, of its own fresh reading, otherwise of its kind
 * @param carriedMl resin carried in by all prints since
 * @param prints washed in it since
 */
public record WashBath(BathKind kind, double volumeMl, double freshDensity, double carriedMl, int prints) {

    /** g/ml of liquid resin where nobody measured it. */
    public static final double RESIN_DENSITY = 1.1;
    /**
     * Isopropyl alcohol with water, near the strong end: so much denser for each percent by weight that is water
     * (handbook table, from memory: 0.7855 at 100 %, 0.8097 at 90 %).
     */
    public static final double DENSER_PER_WATER_PERCENT = 0.00242;

    /** What to do with it. */
    public enum Verdict {
        GOOD("washes"),
        FIRST_ONLY("only as the first of two baths"),
        CHANGE("change it");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * What a density may mean.
     *
     * @param resinShare by volume, if all of it is resin
     * @param strengthShare by weight, if all of it is water; null for a bath that is no alcohol
     */
    public record Meaning(double resinShare, @Nullable Double strengthShare) {}

    /** Share of resin by volume, 0 to 1. */
    public double share() {
        return carriedMl / (volumeMl + carriedMl);
    }

    /**
     * Prints that it takes until the share reaches {@code limit}, at what each carried in so far, {@code usualMl} while
     * none did.
     */
    public int printsLeft(double limit, double usualMl) {
        double each = prints == 0 ? usualMl : carriedMl / prints;
        double room = limit * volumeMl / (1 - limit) - carriedMl;
        return each <= 0 ? Integer.MAX_VALUE : (int) Math.max(0, Math.floor(room / each + 1e-9));
    }

    /** What a hydrometer's density means against the fresh bath; nothing below the fresh reading. */
    public Meaning meaning(double density, double resinDensity) {
        double denser = Math.max(0, density - freshDensity);
        double resin = Math.min(1, denser / (resinDensity - freshDensity));
        return new Meaning(
                resin, kind.burns() ? Double.valueOf(Math.max(0, 1 - denser / DENSER_PER_WATER_PERCENT / 100)) : null);
    }

    /**
     * By what was reckoned and, where there is one, by the latest reading, whichever is worse. From half the limit on
     * it serves as the first bath only, if there is a second.
     *
     * @param density latest reading, null if none
     * @param limit share of resin at which it is changed
     * @param strength share of alcohol below which it is changed
     * @param onlyOne whether there is no cleaner bath after it
     */
    public Verdict verdict(Double density, double resinDensity, double limit, double strength, boolean onlyOne) {
        double worst = share();
        if (density != null) {
            Meaning meaning = meaning(density, resinDensity);
            boolean weak = meaning.strengthShare() != null && meaning.strengthShare() < strength;
            worst = weak ? 1 : Math.max(worst, meaning.resinShare());
        }
        return worst >= limit ? Verdict.CHANGE : !onlyOne && worst >= limit / 2 ? Verdict.FIRST_ONLY : Verdict.GOOD;
    }
}
