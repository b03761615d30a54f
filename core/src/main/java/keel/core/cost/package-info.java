/** What a print costs. */
package keel.core.cost;
