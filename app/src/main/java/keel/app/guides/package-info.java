/** Procedures that somebody goes through at the bench, step by step, on any tablet. */
package keel.app.guides;
