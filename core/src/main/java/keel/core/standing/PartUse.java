package keel.core.standing;

import java.util.List;
import keel.core.life.HoursLeft;
import keel.core.life.LifeClock;
import keel.core.life.PartLife;
import keel.core.placement.PlacedPart;
import keel.core.run.Detail;
import keel.core.wear.Usage;
import org.jspecify.annotations.Nullable;

/**
 * A part that wears, with what it has been through.
 *
 * @param part what it is
 * @param name its name in the shop, such as "Film F14"
 * @param usage since it was new, baseline included
 * @param life how long such a part lasts, as far as it is known
 * @param condition what was seen and measured of it; null where nobody looked
 * @param kept why somebody decided to print on with it since it was looked at last; null where nobody did
 */
public record PartUse(
        UsedPart part,
        String name,
        Usage usage,
        PartLife life,
        @Nullable PartCondition condition,
        @Nullable String kept) {

    /** One with which nobody decided to print on. */
    public PartUse(UsedPart part, String name, Usage usage, PartLife life, @Nullable PartCondition condition) {
        this(part, name, usage, life, condition, null);
    }

    /** One of which only its age is known. */
    public PartUse(UsedPart part, String name, Usage usage, PartLife life) {
        this(part, name, usage, life, null);
    }

    /** Parts with a life, and the prefix of their defaults. */
    public enum UsedPart {
        FILM("film", "Films", false, List.of("film-worn", "film-pierced", "film-slack")),
        TANK("tank", "Tanks", false, List.of("film-worn", "film-pierced", "film-slack")),
        SCREEN(
                "screen",
                "Screens",
                true,
                List.of("screen-dark-pixels", "screen-lit-pixels", "screen-blank", "resin-on-screen")),
        LIGHT("light", "Light engines", false, List.of("light-dead"));

        private final String prefix;
        private final String several;
        private final boolean uvClock;
        private final List<String> failsBy;

        UsedPart(String prefix, String several, boolean uvClock, List<String> failsBy) {
            this.prefix = prefix;
            this.several = several;
            this.uvClock = uvClock;
            this.failsBy = failsBy;
        }

        public String several() {
            return several;
        }

        /** Causes of failures that say that it ended in a print. */
        public List<String> failsBy() {
            return failsBy;
        }

        public String prefix() {
            return prefix;
        }

        /** Whether its life runs in UV hours rather than print hours as long as nothing else is known. */
        public boolean uvClock() {
            return uvClock;
        }

        public LifeClock usualClock() {
            return uvClock ? LifeClock.UV_HOURS : LifeClock.HOURS;
        }
    }

    /** Age on the clock of its life. */
    public double age() {
        return life.age(usage);
    }

    /** Share of its life that is used: 1 and more where its bar is full. */
    public double used() {
        return age() / life.full();
    }

    /**
     * Chance that it spoils or ends a job of so many print hours, by its condition where somebody looked, else by its
     * age. {@code uvShare}: UV hours in a print hour on its machine.
     */
    public double failsWithin(double printHours, double uvShare) {
        return failsWithin(printHours, uvShare, Detail.USUAL);
    }

    /** The same of a job that needs so much detail. */
    public double failsWithin(double printHours, double uvShare, Detail detail) {
        double byAge = failsByAge(printHours, uvShare);
        return condition == null ? byAge : condition.failsWithin(byAge, printHours, printHours * uvShare, detail);
    }

    /** The same part as far as it matters to a job that covers these parts of the plate. */
    public PartUse under(List<PlacedPart> job) {
        return condition == null ? this : new PartUse(part, name, usage, life, condition.under(job), kept);
    }

    /** Print hours until it ends, by its condition where somebody looked, else by its age. */
    public HoursLeft hoursLeft(double uvShare) {
        return HoursLeft.of(hours -> ended(hours, uvShare));
    }

    /** Chance that it has ended once it was used so much more, on the clock of its life. */
    public double endedAfter(double use, double uvShare) {
        return ended(use / life.use(1, uvShare), uvShare);
    }

    private double ended(double hours, double uvShare) {
        double byAge = failsByAge(hours, uvShare);
        return condition == null ? byAge : condition.ended(byAge, hours, hours * uvShare);
    }

    /** The same by its age alone. */
    public double failsByAge(double printHours, double uvShare) {
        return life.failsWithin(usage, printHours, uvShare);
    }

    /** Whether it is at the age at which such parts are changed. */
    public boolean pastAge() {
        return life.pastAge(usage);
    }

    /** The same where nobody looked: hours alone ask for no more than a look. */
    public boolean agedUnseen() {
        return pastAge() && (condition == null || condition.lookedAt() == null);
    }

    /** The same to be put behind a chance: ", by what is usual", "; it looked faint". */
    public String because() {
        return (condition == null ? ", by " : "; ") + knownFrom();
    }

    /** Where that chance is known from, in a few words. */
    public String knownFrom() {
        return condition == null ? life.knownFrom() : condition.words();
    }
}
