/** What needs hands in a shop, what it costs while it waits, and in which order it is best done. */
@NullMarked
package keel.core.round;

import org.jspecify.annotations.NullMarked;
