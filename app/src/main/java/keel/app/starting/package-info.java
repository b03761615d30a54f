/** Setting up and starting a print: what core computes for it, and the start gate. */
package keel.app.starting;
