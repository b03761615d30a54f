/** The release film: how it is given slack and how it takes up tension. */
package keel.core.film;
