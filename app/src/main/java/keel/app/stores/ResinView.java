package keel.app.stores;

import com.fasterxml.jackson.annotation.JsonIgnore;

/**
 * A resin.
 *
 * @param temperatureFromC lowest temperature to print it at, {@code temperatureToC} the highest; null for the shop's
 *     own
 * @param nature ORDINARY, BRITTLE or TOUGH
 * @param washedIn kind of bath
 * @param safetySheet where its safety sheet is
 * @param itemId item of the stores that counts its sealed bottles, null if none does
 */
public record ResinView(
        String code,
        String name,
        Double densityGPerMl,
        String family,
        boolean retired,
        Double temperatureFromC,
        Double temperatureToC,
        String nature,
        String washedIn,
        String safetySheet,
        Double pricePerLitre,
        @JsonIgnore Long itemId) {}
