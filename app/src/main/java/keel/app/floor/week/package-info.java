/** The week: which job goes on which machine when, what is done in one sitting, and what moved since it was shown. */
package keel.app.floor.week;
