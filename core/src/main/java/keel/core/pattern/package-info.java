/** What many failures together say: rates against one another, and since when. */
@NullMarked
package keel.core.pattern;

import org.jspecify.annotations.NullMarked;
