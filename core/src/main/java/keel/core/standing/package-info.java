/** Whether a machine may print: services, holds, upkeep and the state that follows, each with its sentence. */
package keel.core.standing;
