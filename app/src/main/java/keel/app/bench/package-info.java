/** Services done to machines, and the register of vats, films and screens. */
package keel.app.bench;
