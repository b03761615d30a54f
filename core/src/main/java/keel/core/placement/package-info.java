/** Where on a plate the next job is best put. */
package keel.core.placement;
