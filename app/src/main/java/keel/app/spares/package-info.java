/** How many spares of slow parts to hold. */
package keel.app.spares;
