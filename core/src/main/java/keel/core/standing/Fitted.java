package keel.core.standing;

import java.time.Instant;

/**
 * What is fitted to a machine now.
 *
 * @param vat whether a vat (or tank) is in
 * @param film whether that vat has a film that may be used
 * @param screen whether a screen that may be used is in; true where the machine has none
 * @param changedAt when what is fitted last changed, for the date of a hold
 * @param resinMixedAt when another resin was poured onto the one in the vat, null if none or emptied since
 * @param stopGap a hole in the film that was cured shut, null if none
 */
public record Fitted(
        boolean vat, boolean film, boolean screen, Instant changedAt, Instant resinMixedAt, StopGap stopGap) {}
