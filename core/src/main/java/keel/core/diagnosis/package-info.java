/**
 * What made a print fail: probabilities of causes, the weight of each piece of evidence, and which check to do next.
 */
@NullMarked
package keel.core.diagnosis;

import org.jspecify.annotations.NullMarked;
