/** The pages, drawings and open interface of {@link keel.app.bench}. */
package keel.app.bench.web;
