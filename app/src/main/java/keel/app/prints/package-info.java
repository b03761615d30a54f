/** What is printed: profiles and their versions, runs and attempts at a job, when somebody looks in. */
package keel.app.prints;
