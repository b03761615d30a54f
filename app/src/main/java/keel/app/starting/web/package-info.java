/** The pages, drawings and open interface of {@link keel.app.starting}. */
package keel.app.starting.web;
