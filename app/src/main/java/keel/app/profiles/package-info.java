/** Print profiles: the settings of each resin on each machine, their versions, and how prints fared with them. */
package keel.app.profiles;
