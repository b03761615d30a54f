/** A simulated history as a file, for benches and tests. */
package keel.sim.history;
