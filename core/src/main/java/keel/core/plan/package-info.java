/** When to do what. */
@NullMarked
package keel.core.plan;

import org.jspecify.annotations.NullMarked;
