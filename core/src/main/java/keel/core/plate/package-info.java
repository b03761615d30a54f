/** The build plate: how level and how flat it is, and what to turn. */
package keel.core.plate;
