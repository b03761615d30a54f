/** When to buy how much of what is used steadily. */
package keel.core.stock;
