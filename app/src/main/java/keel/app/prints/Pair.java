package keel.app.prints;

import java.time.Instant;
import keel.core.profile.VersionFared;

/** A resin on a machine in brief: which version is in force, since when, and how it fared. */
public record Pair(String resin, String resinName, int version, Instant since, double exposureS, VersionFared fared) {}
