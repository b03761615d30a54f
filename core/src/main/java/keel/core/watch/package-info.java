/** While it prints: where the print is, when somebody looks in, and what is done about what is seen. */
@NullMarked
package keel.core.watch;

import org.jspecify.annotations.NullMarked;
