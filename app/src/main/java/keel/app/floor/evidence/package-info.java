/** Evidence in hand: what is known of a machine, part, pack or bottle, for whoever made or sold it. */
package keel.app.floor.evidence;
