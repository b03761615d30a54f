/** What happened, who wrote it down and when; corrections supersede, nothing is deleted. */
package keel.app.logbook;
