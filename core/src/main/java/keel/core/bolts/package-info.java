/** The bolts of a film frame and the order in which they are tightened. */
package keel.core.bolts;
