/** What there is: rooms, models, machines, and the parts that are fitted to them over time. */
package keel.app.fleet;
