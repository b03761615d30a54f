/** Reads pictures that somebody sent: what they are by their bytes, their size before they are decoded. */
package keel.app.pictures;
