/** The pages, drawings and open interface of {@link keel.app.base}. */
package keel.app.base.web;
