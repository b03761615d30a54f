package keel.core.life;

/**
 * When parts of a kind are changed before they end, and why then: the one answer for states, gates, strips and pages.
 *
 * @param at age on the clock; infinite where they run until they show signs
 */
public record ChangeRule(double at, LifeClock clock, Why why) {

    /** Where the rule comes from. */
    public enum Why {
        USUAL("what is usual, until five have ended here"),
        CHOSEN_AGE("the age that was chosen"),
        CHOSEN_SIGNS("so it was chosen"),
        CHEAPEST("cheapest by how long they last here"),
        OWN_CHEAPEST("the shop's own age, which would have cost least here so far"),
        SIGNS_CHEAPEST("that would have cost least here so far");

        private final String words;

        Why(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param known whether enough have ended here for the records to speak
     * @param cheapest the age that the records speak for; not asked where they do not speak
     * @param usual what is usual for such parts, the shop's own age with it
     */
    public static ChangeRule of(ChangeSchool school, boolean known, CheapestAge cheapest, PartLife usual) {
        if (school == ChangeSchool.SIGNS) {
            return new ChangeRule(Double.POSITIVE_INFINITY, usual.clock(), Why.CHOSEN_SIGNS);
        }
        if (school == ChangeSchool.FIXED_AGE) {
            return new ChangeRule(usual.replaceAt(), usual.replaceClock(), Why.CHOSEN_AGE);
        }
        if (!known) {
            return new ChangeRule(usual.replaceAt(), usual.replaceClock(), Why.USUAL);
        }
        return new ChangeRule(
                cheapest.at(),
                cheapest.clock(),
                switch (cheapest.which()) {
                    case FITTED -> Why.CHEAPEST;
                    case OWN -> Why.OWN_CHEAPEST;
                    case SIGNS -> Why.SIGNS_CHEAPEST;
                });
    }

    /** Whether they run until they show signs. */
    public boolean bySigns() {
        return Double.isInfinite(at);
    }
}
