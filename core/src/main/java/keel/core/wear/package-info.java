/** Usage of parts and how long they last. */
package keel.core.wear;
