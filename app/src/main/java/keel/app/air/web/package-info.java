/** The pages, drawings and open interface of {@link keel.app.air}. */
package keel.app.air.web;
