/** From the wish to print to the cleared plate: sliced file, start gate, place, look-in, after the print. */
package keel.app.starting;
