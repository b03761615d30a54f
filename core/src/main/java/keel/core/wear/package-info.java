/** Usage of parts and how long they last. */
@NullMarked
package keel.core.wear;

import org.jspecify.annotations.NullMarked;
