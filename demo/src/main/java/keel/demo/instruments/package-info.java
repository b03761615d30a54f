/** Simulated instruments at the places where a person would type what the real ones show. */
package keel.demo.instruments;
