/** How many spares of slow parts to hold. */
package keel.core.spares;
