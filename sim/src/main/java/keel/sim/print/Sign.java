package keel.sim.print;

/**
 * Something about a print, its vat or its machine that somebody could see, hear or feel.
 *
 * @param symptom its code in the open format
 * @param clarity 0 to 1: how plain it is to somebody who looks
 */
public record Sign(String symptom, double clarity) {}
