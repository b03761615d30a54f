/** What to do at once when something goes badly wrong. */
@org.jspecify.annotations.NullMarked
package keel.core.emergency;
