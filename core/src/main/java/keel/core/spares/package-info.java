/** How many spares of slow parts to hold. */
@NullMarked
package keel.core.spares;

import org.jspecify.annotations.NullMarked;
