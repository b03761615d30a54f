/**
 * What follows from the facts: meters, holds, states. Reads the facts of all modules in sets and writes only what can
 * be rebuilt.
 */
package keel.app.upkeep;
