/** The invented shop: its story is told through the application's own services. */
package keel.demo;
