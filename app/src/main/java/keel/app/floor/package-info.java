/** The shop at a glance: fleet and machine pages, what is next, the quick line, the top line, labels. */
package keel.app.floor;
