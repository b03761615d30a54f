/** The pages, drawings and open interface of {@link keel.app.fleet}. */
package keel.app.fleet.web;
