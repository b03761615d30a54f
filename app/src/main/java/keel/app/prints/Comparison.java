package keel.app.prints;

import java.util.List;
import java.util.Locale;
import keel.core.profile.ProfileSettings;
import keel.core.rate.RateDifference;

/**
 * The version in force against another.
 *
 * @param with the other
 * @param changes settings that differ, from the other to the one in force
 * @param sentence what their prints tell
 */
public record Comparison(ProfileView.Version with, List<ProfileSettings.Change> changes, String sentence) {

    /** Against the version of this number, or the one before; null where there is only one. */
    public static Comparison of(ProfileView profile, String number) {
        ProfileView.Version current = profile.current();
        ProfileView.Version other = profile.versions().stream()
                .filter(v -> Integer.toString(v.number()).equals(number) && v != current)
                .findFirst()
                .orElse(
                        profile.versions().size() < 2
                                ? null
                                : profile.versions().get(1));
        return other == null
                ? null
                : new Comparison(other, other.settings().changesTo(current.settings()), sentence(current, other));
    }

    private static String sentence(ProfileView.Version current, ProfileView.Version other) {
        RateDifference difference = current.fared().against(other.fared()).orElse(null);
        if (difference == null) {
            return "Nothing to compare yet: version "
                    + (current.fared().runs() == 0 ? current.number() : other.number()) + " has no print.";
        }
        String by = String.format(
                Locale.ROOT,
                "%+.0f points, %+.0f to %+.0f",
                100 * difference.difference(),
                100 * difference.low(),
                100 * difference.high());
        return switch (difference.verdict()) {
            case BETTER ->
                "Version " + current.number() + " is better than version " + other.number() + " (" + by + ").";
            case WORSE -> "Version " + current.number() + " is worse than version " + other.number() + " (" + by + ").";
            case CANNOT_TELL ->
                "So few prints cannot tell version " + current.number() + " from version " + other.number() + " (" + by
                        + ").";
        };
    }
}
