/** Orders of several parts: what is wanted, on which plates it lies, what of it came out. */
package keel.app.prints.order;
