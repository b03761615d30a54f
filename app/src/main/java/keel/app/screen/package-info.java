/** Screens: pictures to show on them, what photographs and dry runs tell. */
package keel.app.screen;
