/** Chance that is the same every time: named streams from one seed. */
package keel.sim.chance;
