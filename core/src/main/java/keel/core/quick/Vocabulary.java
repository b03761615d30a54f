package keel.core.quick;

import java.time.LocalDateTime;
import java.util.List;
import keel.core.standing.MachineTraits;

/**
 * The names that a shop's lines may use.
 *
 * @param bottles of resin; their name is that of the resin
 * @param now the shop's own time
 */
public record Vocabulary(
        List<MachineWord> machines,
        List<Word> rooms,
        List<Word> items,
        List<Word> resins,
        List<Word> vats,
        List<Word> bottles,
        LocalDateTime now) {

    /** A code with the name it goes by; for an item, {@code unit} is its unit. */
    public record Word(String code, String name, String unit) {}

    /**
     * A machine.
     *
     * @param levelledBy the shop's school for it: PAPER, ON_FILM or SELF
     * @param resin code of the resin in its vat, null if none
     * @param lastExposureS layer exposure of its last run, s, null if it never printed
     * @param secondsALayer time a layer takes on it, s, null if it never printed
     */
    public record MachineWord(
            String code,
            String name,
            MachineTraits traits,
            String levelledBy,
            String resin,
            Double lastExposureS,
            Double secondsALayer) {}
}
