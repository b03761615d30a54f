/** The invented shop of the demo: what stands in it and what happened there, the same for the same seed and end. */
package keel.sim.story;
