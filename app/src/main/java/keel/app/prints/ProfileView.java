package keel.app.prints;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import keel.core.profile.ProfileSettings;
import keel.core.profile.VersionFared;

/**
 * A profile with all its versions, newest first.
 *
 * @param machine code
 * @param resin code
 */
public record ProfileView(
        long id,
        String machine,
        String machineName,
        String resin,
        String resinName,
        School school,
        List<Version> versions) {

    /**
     * One version.
     *
     * @param why why several settings were changed at once, or what was hoped for; null if nothing was said
     * @param backTo the version it goes back to, null if it does not
     * @param changes against the version before it
     * @param fared how prints with it fared
     */
    public record Version(
            long id,
            int number,
            Instant madeAt,
            String madeBy,
            String why,
            Integer backTo,
            ProfileSettings settings,
            List<ProfileSettings.Change> changes,
            VersionFared fared) {}

    public Version current() {
        return versions.get(0);
    }

    public Optional<Version> version(int number) {
        return versions.stream().filter(v -> v.number() == number).findFirst();
    }

    /** The version to go back to, where there is one. */
    public Optional<Version> lastGood() {
        return VersionFared.lastGood(versions.stream().map(Version::fared).toList())
                .flatMap(v -> version(v.number()));
    }
}
