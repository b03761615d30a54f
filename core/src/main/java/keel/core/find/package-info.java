/** Finding what somebody means by a few letters. */
@NullMarked
package keel.core.find;

import org.jspecify.annotations.NullMarked;
