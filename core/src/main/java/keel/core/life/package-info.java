/** How long parts last: fitted from ends and lives still going on, what is left, and when to change. */
package keel.core.life;
