/** What every page leans on: problems in plain words, form reading, figures, CSV, the line of time, pictures sent in. */
package keel.app.base;
