/** What was seen and measured of a part outweighs what is usual at its age. */
@NullMarked
package keel.core.condition;

import org.jspecify.annotations.NullMarked;
