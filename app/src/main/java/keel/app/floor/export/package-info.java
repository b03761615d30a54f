/** All that was written, to be taken along: a data package of tables and photographs. */
package keel.app.floor.export;
