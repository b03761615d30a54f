/** Size: what prints come out at against what was drawn. */
package keel.core.scale;
