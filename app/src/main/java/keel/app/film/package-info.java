/** What a film says of itself: its tone when tapped, and how clear it still is. */
package keel.app.film;
