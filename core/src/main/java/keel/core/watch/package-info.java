/** While it prints: where the print is, when somebody looks in, and what is done about what is seen. */
package keel.core.watch;
