/**
 * Where on a plate to print: what lies in the way, where film and screen are worn, the best place for a job, and where
 * runs lay.
 */
package keel.app.placing;
