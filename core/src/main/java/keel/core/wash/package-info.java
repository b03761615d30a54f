/** Washing, drying, curing: when a bath no longer washes, and what was hurried. */
@NullMarked
package keel.core.wash;

import org.jspecify.annotations.NullMarked;
