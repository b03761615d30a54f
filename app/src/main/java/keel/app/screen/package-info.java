/** Screens and lights: register, test photographs, spots, UV maps, dry runs, verdicts. */
package keel.app.screen;
