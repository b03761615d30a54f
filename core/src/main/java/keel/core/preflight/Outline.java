package keel.core.preflight;

/**
 * What is printed as seen from three sides; the plate is above and the film below, as in the machine.
 *
 * @param top from the film: left to right, the back above
 * @param front left to right, the plate above
 * @param side front to back, the plate above
 */
public record Outline(Silhouette top, Silhouette front, Silhouette side) {}
