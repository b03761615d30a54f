/** What a machine's own records say that bears on why a print failed. */
package keel.core.history;
