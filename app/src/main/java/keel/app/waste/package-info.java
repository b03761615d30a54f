/** What must not go in the bin as it is, until it is cured or handed in; and what hurt somebody, or nearly. */
package keel.app.waste;
