/** Pages of the air: rooms and their readings, the planner, the window panel, upkeep. */
package keel.app.ventilation;
