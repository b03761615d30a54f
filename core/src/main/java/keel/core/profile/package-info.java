/** Print profiles: the settings of a resin on a machine, what changed between them, and how each version fared. */
@NullMarked
package keel.core.profile;

import org.jspecify.annotations.NullMarked;
