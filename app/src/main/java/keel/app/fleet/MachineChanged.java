package keel.app.fleet;

/**
 * Something about a machine changed that is no entry of another module; what is derived from its records must follow at
 * once.
 */
public record MachineChanged(long machineId) {}
