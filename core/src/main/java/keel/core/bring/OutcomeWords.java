package keel.core.bring;

import static keel.core.run.Outcome.FAILED;
import static keel.core.run.Outcome.GOOD;
import static keel.core.run.Outcome.PARTIAL;
import static keel.core.run.Outcome.STOPPED;
import static keel.core.run.Outcome.USABLE;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.core.run.Outcome;

/** How people write how a print ended. Common practice, no source. */
public final class OutcomeWords {

    private static final Map<Outcome, List<String>> WORDS = new LinkedHashMap<>();

    static {
        WORDS.put(
                GOOD,
                List.of(
                        "good",
                        "ok",
                        "okay",
                        "success",
                        "successful",
                        "succeeded",
                        "done",
                        "yes",
                        "y",
                        "true",
                        "1",
                        "pass",
                        "passed",
                        "perfect",
                        "complete",
                        "completed",
                        "gut",
                        "ja",
                        "bon",
                        "oui"));
        WORDS.put(
                FAILED,
                List.of(
                        "failed",
                        "fail",
                        "failure",
                        "no",
                        "n",
                        "false",
                        "0",
                        "bad",
                        "lost",
                        "scrap",
                        "nok",
                        "schlecht",
                        "nein",
                        "fehlgeschlagen",
                        "rate",
                        "non"));
        WORDS.put(PARTIAL, List.of("partial", "partly", "some", "some parts good", "half", "teilweise", "partiel"));
        WORDS.put(
                STOPPED,
                List.of(
                        "stopped",
                        "stopped by hand",
                        "cancelled",
                        "canceled",
                        "aborted",
                        "abort",
                        "stop",
                        "abgebrochen",
                        "annule"));
        WORDS.put(USABLE, List.of("usable", "usable after rework", "rework", "reworked", "repaired", "nacharbeit"));
    }

    private OutcomeWords() {}

    /** @param said words of the shop's own with the code that each means; they come before the usual ones */
    public static Optional<Outcome> of(String text, Map<String, String> said) {
        String plain = text.strip().toLowerCase(Locale.ROOT);
        for (Map.Entry<String, String> word : said.entrySet()) {
            if (word.getKey().strip().toLowerCase(Locale.ROOT).equals(plain)) {
                return Arrays.stream(Outcome.values())
                        .filter(o -> o.name().equalsIgnoreCase(word.getValue().strip()))
                        .findFirst();
            }
        }
        return WORDS.entrySet().stream()
                .filter(e -> e.getValue().contains(plain) || e.getKey().name().equalsIgnoreCase(plain))
                .map(Map.Entry::getKey)
                .findFirst();
    }
}
