package keel.core.standing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What the logbook says, and which services touch parts. The words are our own. */
class ServiceWordsTest {

    private static String words(ServiceKind kind, Map<String, Object> values) {
        return ServiceWords.of(new ServiceValues(kind, values), null);
    }

    @Test
    void whatWasAnsweredIsSaidAndNothingElse() {
        assertThat(words(ServiceKind.PLATE_CLEARED, Map.of())).isEqualTo("plate cleared.");
        assertThat(words(ServiceKind.PLATE_CLEARED, Map.of("sieved", true, "resinLeftMl", 130.6, "burr", true)))
                .isEqualTo("plate cleared, resin sieved, 131 ml left in the vat; a burr was felt.");
        assertThat(words(ServiceKind.CLEAN_UP, Map.of("way", "QUICK", "sieved", false)))
                .isEqualTo("cleaned up, quick way.");
        assertThat(words(ServiceKind.CLEAN_UP, Map.of("way", "FULL", "emptied", true, "scraped", "BACK")))
                .isEqualTo("cleaned up, full way, vat emptied, scrapings went back into the bottle.");
        assertThat(words(ServiceKind.LUBRICATION, Map.of("part", "SCREW"))).isEqualTo("lubricated: screw, grease.");
    }

    @Test
    void aVatOnTheShelfIsNamedAndWhatWasFoundIsListed() {
        ServiceValues found =
                new ServiceValues(ServiceKind.VAT_INSPECTED, Map.of("clean", false, "found", List.of("dent", "spill")));
        assertThat(ServiceWords.of(found, "V7")).isEqualTo("vat V7 inspected: not in order (dent, spill).");
        assertThat(words(ServiceKind.SCREEN_INSPECTED, Map.of("clean", true)))
                .isEqualTo("screen inspected: clean and whole.");
    }

    @ParameterizedTest
    @EnumSource
    void everyServiceCanBeSaidWithNothingAnswered(ServiceKind kind) {
        assertThat(words(kind, Map.of())).endsWith(".").doesNotContain("null,");
    }

    @Test
    void onlyWhatChangesPartsIsMoreThanANote() {
        for (ServiceKind kind : ServiceKind.values()) {
            boolean touches =
                    switch (kind) {
                        case FILM_CHANGE, TANK_CHANGE, SCREEN_CHANGE, LIGHT_CHANGE, VAT_FITTED, VAT_REMOVED, MOVED ->
                            true;
                        default -> false;
                    };
            ServicePayload payload = ServicePayload.of(new ServiceValues(kind, Map.of()));
            assertThat(payload instanceof ServicePayload.Noted).as(kind.name()).isEqualTo(!touches);
        }
        assertThat(ServicePayload.of(new ServiceValues(ServiceKind.PLATE_WORK, Map.of("work", "REPLACED"))))
                .isInstanceOf(ServicePayload.PlateReplaced.class);
    }
}
