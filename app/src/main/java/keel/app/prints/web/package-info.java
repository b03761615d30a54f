/** The pages, drawings and open interface of {@link keel.app.prints}. */
package keel.app.prints.web;
