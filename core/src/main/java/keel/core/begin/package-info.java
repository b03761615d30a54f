/** What a shop begins with: kinds of machine, a store, names typed in one field. */
@NullMarked
package keel.core.begin;

import org.jspecify.annotations.NullMarked;
