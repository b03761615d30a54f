package keel.app.floor.patterns;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.pattern.Compared;
import keel.core.rate.RateDifference;

/** Two lots of prints held against one another, in words. */
public final class ComparedWords {

    private static final int FAR = 2000;

    private ComparedWords() {}

    /** What is compared at the head of a sentence; {@code several} where it is prints rather than a thing. */
    public record Named(String name, boolean several) {

        private String fails() {
            return name + (several ? " fail" : " fails");
        }
    }

    /**
     * @param second what the second is called within a sentence
     * @return sentences, the verdict first
     */
    public static List<String> of(Compared c, Named first, String second) {
        List<String> says = new ArrayList<>();
        String counts = Wording.count(c.first()) + " failed, of " + second + " " + Wording.count(c.second());
        String among = "among prints of the same " + c.alike().words();
        switch (c.says()) {
            case NOTHING -> says.add("Nothing to compare: " + counts + ".");
            case CANNOT_TELL -> {
                says.add("Not enough to tell. " + first.name() + ": " + counts + ".");
                says.add(missing(c));
            }
            case NOT_AMONG_ALIKE -> {
                says.add(first.name() + ": " + counts + ". But " + among
                        + " there is no such difference: it is what they print, or where.");
            }
            default -> {
                boolean more = c.says() == Compared.Says.FIRST_FAILS_MORE;
                says.add(first.fails() + (more ? " more often: " : " less often: ") + counts + ".");
                says.add(apart(c.more(), more));
                says.add(
                        c.comparesAlike()
                                ? "It is the same " + among + "."
                                : "Too few of these prints have their like on the other side (" + among
                                        + "): it may be what is printed.");
            }
        }
        return says;
    }

    private static String apart(RateDifference d, boolean more) {
        double likely = 100 * Math.abs(d.difference());
        double low = 100 * (more ? d.low() : -d.high());
        double high = 100 * (more ? d.high() : -d.low());
        return String.format(
                Locale.ROOT,
                "Of a hundred prints about %.0f %s fail; it may be %.0f to %.0f (95 %%).",
                likely,
                more ? "more" : "fewer",
                low,
                high);
    }

    private static String missing(Compared c) {
        if (c.missing().isEmpty()) {
            return "As far as these prints go they are alike.";
        }
        int missing = c.missing().getAsInt();
        if (missing > FAR) {
            return "A difference as small as the one seen would take thousands of prints to tell.";
        }
        return missing == 0
                ? "Some more prints of each would tell."
                : "About " + round(missing) + " more prints, shared between them, would tell a difference as large as "
                        + "the one seen.";
    }

    /** To two figures: more would be a promise. */
    private static long round(int prints) {
        double step = Math.pow(10, Math.max(0, Math.floor(Math.log10(prints)) - 1));
        return Math.round(Math.ceil(prints / step) * step);
    }
}
