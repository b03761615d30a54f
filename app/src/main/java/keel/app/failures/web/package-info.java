/** The pages, drawings and open interface of {@link keel.app.failures}. */
package keel.app.failures.web;
