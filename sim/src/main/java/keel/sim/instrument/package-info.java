/** Stand-ins for instruments: each reads the simulated truth as the real one would, with its noise. */
package keel.sim.instrument;
