/** Symptoms, causes and checks as data: YAML with a schema, read into immutable values. */
@NullMarked
package keel.core.knowledge;

import org.jspecify.annotations.NullMarked;
