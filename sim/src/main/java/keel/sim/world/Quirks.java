package keel.sim.world;

/**
 * What a machine's controller cannot do, for as long as it lives.
 *
 * @param glitchesOnGreys shows wrong flakes where a row holds very many grey pixels
 * @param smoothsOneAxisOnly leaves steps on faces square to the other axis
 * @param definitionScale size of what comes out against what was drawn, along x; 1 where the definition is right
 */
public record Quirks(boolean glitchesOnGreys, boolean smoothsOneAxisOnly, double definitionScale) {}
