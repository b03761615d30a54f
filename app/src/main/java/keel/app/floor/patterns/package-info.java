/** What the fleet's failures say: which prints fail more, since when, what it costs, what was done about it. */
package keel.app.floor.patterns;
