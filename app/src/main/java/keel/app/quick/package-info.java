/** The quick line, typed or scanned, and the labels that a scanner reads. */
package keel.app.quick;
