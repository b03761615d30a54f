/** Finding machines, parts, jobs, failures, pages and chapters by a few letters. */
package keel.app.floor.find;
