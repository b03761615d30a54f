/** Exposure: how deep a resin cures, and how long a print takes. */
@NullMarked
package keel.core.exposure;

import org.jspecify.annotations.NullMarked;
