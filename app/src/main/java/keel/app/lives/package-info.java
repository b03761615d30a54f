/** How long parts last here, what is left of those in service, and where on a plate to print. */
package keel.app.lives;
