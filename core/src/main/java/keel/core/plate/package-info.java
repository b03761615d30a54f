/** The build plate: how level and how flat it is, and what to turn. */
@NullMarked
package keel.core.plate;

import org.jspecify.annotations.NullMarked;
