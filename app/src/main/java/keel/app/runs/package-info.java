/** Prints: started, ended, corrected. */
package keel.app.runs;
