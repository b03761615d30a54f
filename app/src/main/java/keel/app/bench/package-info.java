/** Work done to machines: services, level, stance, tilt, first layer. */
package keel.app.bench;
