/** Starting, stopping, backup and restore. */
package keel.app.ops;
