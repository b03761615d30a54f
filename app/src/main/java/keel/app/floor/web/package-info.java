/** The pages, drawings and open interface of {@link keel.app.floor}. */
package keel.app.floor.web;
