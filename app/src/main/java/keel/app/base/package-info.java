/** What every page leans on: problems in plain words, form reading, figures, CSV, time lines, pictures sent in. */
package keel.app.base;
