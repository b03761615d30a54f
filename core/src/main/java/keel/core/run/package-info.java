/** A run: one print on one machine, and what it must satisfy. */
package keel.core.run;
