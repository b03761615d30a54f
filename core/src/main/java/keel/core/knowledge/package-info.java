/** Symptoms, causes and checks as data: YAML with a schema, read into immutable values. */
package keel.core.knowledge;
