/** Reads a sliced file layer by layer, from the plate to the film, and says what may go wrong with it. */
@NullMarked
package keel.core.preflight;

import org.jspecify.annotations.NullMarked;
