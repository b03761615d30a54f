/** What the rooms' thermometers and hygrometers read. */
package keel.app.air;
