/** Diagnosis for programs: what may have made a print fail, from what was seen, checked and recorded. */
package keel.app.diagnosing;
