/** What can be wrong with an entry, and how pages and the open interface say it. */
package keel.app.problems;
