/** The pages, drawings and open interface of {@link keel.app.guides}. */
package keel.app.guides.web;
