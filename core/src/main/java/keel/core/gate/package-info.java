/** The start gate: what must be so before a print starts. */
@NullMarked
package keel.core.gate;

import org.jspecify.annotations.NullMarked;
