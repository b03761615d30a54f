/** Baths, and the finishing of prints: wash, dry, cure. */
package keel.app.washing;
