/** Which job goes on which machine when, in the hours in which somebody is there. */
@NullMarked
package keel.core.week;

import org.jspecify.annotations.NullMarked;
