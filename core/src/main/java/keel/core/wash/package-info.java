/** Washing, drying, curing: when a bath no longer washes, and what was hurried. */
package keel.core.wash;
