package keel.app.prints;

import keel.core.profile.ProfileSettings;

/**
 * The version of a profile that is in force on a machine.
 *
 * @param versionId for the run that is printed with it
 * @param resin code
 */
public record InForce(long versionId, int number, String resin, ProfileSettings settings) {}
