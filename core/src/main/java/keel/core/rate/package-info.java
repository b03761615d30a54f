/** Shares of runs that came out, with what so many runs can tell. */
package keel.core.rate;
