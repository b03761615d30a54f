/** What is true of the simulated shop's machines, parts and rooms, whether anybody knows it or not. */
package keel.sim.world;
