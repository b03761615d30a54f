/** What all pages share: frame, words and formats. */
package keel.app.ui;
