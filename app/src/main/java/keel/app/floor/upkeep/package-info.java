/** Upkeep by the shop's own rules: what is done every so many hours, prints, days or litres, and what came of it. */
package keel.app.floor.upkeep;
