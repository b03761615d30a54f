/** What prints really cost: by run, machine, month and job, and what failures cost. */
package keel.app.costs;
