/** What there is: rooms, models, machines, the parts fitted to them over time, their quirks, the shop's settings. */
package keel.app.fleet;
