/** What each person is reminded of, at an open page and by mail. */
package keel.app.floor.remind;
