package keel.core.film;

import java.util.List;

/**
 * The free opening that a film spans.
 *
 * @param lengthMm along x, mm; the diameter of a round one
 * @param widthMm along y, mm
 */
public record FilmWindow(double lengthMm, double widthMm, boolean round) {

    /** Tension of a film of FEP or its like in it, from its tones. */
    public FilmTension tension(double fundamentalHz, List<TapTone.Peak> peaks, double thicknessMm) {
        return round
                ? FilmTension.ofRound(fundamentalHz, lengthMm, thicknessMm, Membrane.FEP_KG_PER_M3)
                : FilmTension.of(fundamentalHz, peaks, lengthMm, widthMm, thicknessMm, Membrane.FEP_KG_PER_M3);
    }

    /** Lowest tone of such a film under a tension, with the air that it moves, Hz. */
    public double toneHz(double tensionNPerM, double thicknessMm) {
        double mass = Membrane.FEP_KG_PER_M3 * thicknessMm / 1000;
        return round
                ? new RoundMembrane(lengthMm, mass, tensionNPerM).toneHz()
                : new Membrane(lengthMm, widthMm, mass, tensionNPerM).toneHz(1, 1);
    }

    /** Whether x is the longer side. */
    public boolean longX() {
        return lengthMm >= widthMm;
    }
}
