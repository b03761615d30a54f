/** Tables from elsewhere: read, held against the records, written all or not at all, taken back as one. */
package keel.app.floor.bring;
