/** Tables that come from elsewhere: which column is what, and what stands in a cell. */
@NullMarked
package keel.core.bring;

import org.jspecify.annotations.NullMarked;
