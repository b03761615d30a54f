/** The pages, drawings and open interface of {@link keel.app.people}. */
package keel.app.people.web;
