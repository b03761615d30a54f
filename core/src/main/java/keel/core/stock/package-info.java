/** When to buy how much of what is used steadily. */
@NullMarked
package keel.core.stock;

import org.jspecify.annotations.NullMarked;
