/** What went wrong and why: the log, the judgement, the way back. */
package keel.app.failures;
