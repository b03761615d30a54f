/** Orders of several parts: what came out, what is still to be printed, and on how few plates it fits. */
@NullMarked
package keel.core.order;

import org.jspecify.annotations.NullMarked;
