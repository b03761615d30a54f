package keel.sim.shop;

import java.time.Instant;
import java.util.Map;
import keel.core.profile.Setting;

/**
 * Something that the story wants to happen on a machine, whatever chance would have had.
 *
 * @param detail what the kind asks for: a reason, a resin, a note
 */
public record Turn(Instant at, TurnKind kind, String detail, String note, Map<Setting, Double> settings) {

    public Turn(Instant at, TurnKind kind, String detail, String note) {
        this(at, kind, detail, note, Map.of());
    }

    public Turn(Instant at, TurnKind kind) {
        this(at, kind, null, null);
    }

    public enum TurnKind {
        /** The film, or the tank, is changed for the reason in the detail; the new one is sound. */
        FILM,
        /** The vat goes back with its bolts loose. */
        BOLTS_LOOSE,
        /** Somebody tries the vat bolts at last. */
        BOLTS_FOUND,
        /** Resin is splashed under the vat and cures on the screen. */
        SPLASH,
        /** The vat is emptied, cleaned and filled with the resin in the detail. */
        RESIN,
        /** Screw and rail are greased. */
        GREASE,
        /** The plate is abraded and levelled, with readings. */
        PLATE,
        /** The plate is levelled, with readings. */
        LEVEL,
        /** Settings are changed, for the reason in the note. */
        SETTINGS
    }
}
