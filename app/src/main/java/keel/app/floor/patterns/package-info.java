/** What the fleet's failures say: which prints fail more than others, since when, what it costs, what was done about it. */
package keel.app.floor.patterns;
