/** The films: their register, looks, tones, clouding, and the vats that carry them. */
package keel.app.film;
