/** The month for the owner: what was printed and lost, what it cost, what changed, and what is to be decided. */
package keel.app.floor.month;
