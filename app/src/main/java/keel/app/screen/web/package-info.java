/** The pages, drawings and open interface of {@link keel.app.screen}. */
package keel.app.screen.web;
