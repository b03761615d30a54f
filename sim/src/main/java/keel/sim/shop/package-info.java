/**
 * The people of the simulated shop at work: they start prints, look, clean, search for causes, mend, and write it down.
 */
package keel.sim.shop;
