/** How long parts last here, what is left of those in service, and when to change them. */
package keel.app.lives;
