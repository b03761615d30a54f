/** Rooms and their air: sensors, readings, the way of the air, its upkeep. */
package keel.app.air;
