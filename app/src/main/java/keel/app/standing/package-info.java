/** What follows from the facts: meters, holds, states, wear, lives, what is due, the machine in cross-section. */
package keel.app.standing;
