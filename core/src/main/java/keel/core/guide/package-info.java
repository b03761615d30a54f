/** Procedures at the bench: what is done in which order, read from data. */
package keel.core.guide;
