/** What is in a vat. */
@NullMarked
package keel.core.resin;

import org.jspecify.annotations.NullMarked;
