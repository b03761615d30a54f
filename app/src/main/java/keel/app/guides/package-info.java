/** Procedures that somebody goes through step by step. */
package keel.app.guides;
