/** Where runs lay on their plates, and where films and screens are worn by that. */
package keel.app.wear;
