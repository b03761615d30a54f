/** How it starts and stops: the command line, backup, certificate, the shop's clock. */
package keel.app.shell;
