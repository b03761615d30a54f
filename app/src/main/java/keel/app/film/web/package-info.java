/** The pages, drawings and open interface of {@link keel.app.film}. */
package keel.app.film.web;
