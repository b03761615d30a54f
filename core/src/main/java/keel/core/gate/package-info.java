/** The start gate: what must be so before a print starts. */
package keel.core.gate;
