/** Papers of A4: an HTML page with its own style becomes a PDF. */
package keel.app.floor.paper;
