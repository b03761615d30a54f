/** The invented shop that the demo shows. */
package keel.app.demo;
