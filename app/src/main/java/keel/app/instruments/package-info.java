/** Simulated instruments at the places where a person would type what the real ones show. Only in the demo. */
package keel.app.instruments;
