/** Which version runs here. */
package keel.app.shell.web;
