/** Edge smoothing: a test piece, and what it tells. */
package keel.core.smoothing;
