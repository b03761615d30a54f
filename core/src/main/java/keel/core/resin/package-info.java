/** What is in a vat. */
package keel.core.resin;
