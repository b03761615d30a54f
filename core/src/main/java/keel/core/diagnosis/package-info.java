/**
 * What made a print fail: probabilities of causes, the weight of each piece of evidence, and which check to do next.
 */
package keel.core.diagnosis;
