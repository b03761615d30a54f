/** From symptoms to causes, and when a cause counts as found. */
package keel.core.failure;
