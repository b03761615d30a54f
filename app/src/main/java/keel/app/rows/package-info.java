/** Times as the database keeps them. */
package keel.app.rows;
