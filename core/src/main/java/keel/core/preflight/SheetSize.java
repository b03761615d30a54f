package keel.core.preflight;

/**
 * How large what the pictures show is.
 *
 * @param layerMm height of a layer
 * @param widthMm of the picture, from left to right, {@code depthMm} from front to back
 */
public record SheetSize(double layerMm, double widthMm, double depthMm) {}
