/** From symptoms to causes, and when a cause counts as found. */
@NullMarked
package keel.core.failure;

import org.jspecify.annotations.NullMarked;
