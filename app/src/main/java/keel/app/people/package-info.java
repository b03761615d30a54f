/** Who may do what: people, sign-in, hand-over by PIN, tokens of the open interface. */
package keel.app.people;
