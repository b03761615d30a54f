/** What becomes of a print: forces and doses decide whether it holds, and leave signs behind. */
package keel.sim.print;
