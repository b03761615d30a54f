/** The pages, drawings and open interface of {@link keel.app.stores}. */
package keel.app.stores.web;
