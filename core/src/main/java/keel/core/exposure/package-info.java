/** Exposure: how deep a resin cures, and how long a print takes. */
package keel.core.exposure;
