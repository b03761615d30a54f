/** The pages, drawings and open interface of {@link keel.app.standing}. */
package keel.app.standing.web;
