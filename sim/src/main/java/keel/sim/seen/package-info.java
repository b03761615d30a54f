/** What people make of what there is to see, and what their checks show. */
package keel.sim.seen;
