/** Light over the plate: how even it is, how it fades, what exposure makes up for it. */
@NullMarked
package keel.core.light;

import org.jspecify.annotations.NullMarked;
