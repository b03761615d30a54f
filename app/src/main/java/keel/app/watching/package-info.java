/** While a run prints and just after it: where it is, what to look for, and what is done before the next. */
package keel.app.watching;
