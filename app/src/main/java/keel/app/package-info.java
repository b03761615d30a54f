/** Keeps the records of a print shop and serves its pages and its open interface. One package a module. */
package keel.app;
