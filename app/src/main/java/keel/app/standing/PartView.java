package keel.app.standing;

import java.time.Instant;
import keel.app.fleet.ComponentKind;
import keel.core.wear.Usage;

/**
 * A component with where it is and what it has been through.
 *
 * @param carrier code of the vat or machine it is fitted to, null on the shelf
 * @param carrierName the same in words
 * @param vatMachine for a film: code of the machine its vat is fitted to, null if none
 * @param filmCode for a vat: code of the film in it, null if none
 * @param usage since it was new, baseline included
 */
public record PartView(
        long id,
        ComponentKind kind,
        String code,
        String model,
        String material,
        Double thicknessMm,
        String serial,
        Instant since,
        Instant endedAt,
        String endReason,
        String carrier,
        String carrierName,
        String vatMachine,
        String filmCode,
        Usage usage) {

    public boolean inUse() {
        return carrier != null && endedAt == null;
    }

    /** A vat as it is chosen from several. */
    public String words() {
        return code + ", " + (model == null ? "any model" : model)
                + (filmCode == null ? ", no film" : ", film " + filmCode);
    }
}
