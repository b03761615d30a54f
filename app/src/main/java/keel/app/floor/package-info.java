/** The fleet and the machine as a whole, for pages and the open interface. */
package keel.app.floor;
