/** Shares of runs that came out, with what so many runs can tell. */
@NullMarked
package keel.core.rate;

import org.jspecify.annotations.NullMarked;
