/** From the wish to print to the cleared plate: start gate, place on the plate, the look-in, after the print. */
package keel.app.starting;
