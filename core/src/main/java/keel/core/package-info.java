/**
 * The rules and computation of the trade, without framework, web, database or a clock of its own. What a class here
 * needs to know of the time is handed to it.
 */
@NullMarked
package keel.core;

import org.jspecify.annotations.NullMarked;
