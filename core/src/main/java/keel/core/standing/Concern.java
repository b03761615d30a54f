package keel.core.standing;

/**
 * Upkeep that is due or will be soon.
 *
 * @param level DUE or WATCH
 * @param about what it concerns: film, tank, screen, light, lubrication, abrading, cause
 * @param text the sentence that explains it
 * @param task the service that answers it, or null
 */
public record Concern(MachineState level, String about, String text, ServiceKind task) {}
