/** The quick line: one typed or scanned line, read by rules into something that can be written down. */
package keel.core.quick;
