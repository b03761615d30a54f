/** A run: one print on one machine, and what it must satisfy. */
@NullMarked
package keel.core.run;

import org.jspecify.annotations.NullMarked;
