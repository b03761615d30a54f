/** Who is here and what they did: sign-in, roles, tokens, the logbook. */
package keel.app.people;
