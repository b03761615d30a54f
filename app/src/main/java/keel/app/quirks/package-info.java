/**
 * What is odd about a machine, a model, a controller or a firmware, with a way to live with it; and the test pieces
 * that showed it.
 */
package keel.app.quirks;
