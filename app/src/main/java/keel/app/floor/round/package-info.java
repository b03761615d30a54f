/** What to do now, in which order: the chores of the whole shop, who has taken which, and what was put off. */
package keel.app.floor.round;
