package keel.core.quick;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import keel.core.Plain;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;

/**
 * What is said of a new film: {@code new 0.127 pfa clouded}. Thickness, material and reason may be left out; the words
 * say what was taken instead.
 *
 * @param values fields of a film change
 * @param words the same as a sentence
 * @param wrong what is not clear, null if all is
 */
record FilmWords(Map<String, Object> values, String words, String wrong) {

    private static final double USUAL_MM = 0.127;
    private static final Set<String> CHANGED =
            Set.of("new", "changed", "change", "replaced", "fitted", "swapped", "renewed");
    private static final Set<String> IDLE =
            Set.of("old", "one", "was", "were", "because", "with", "thick", "film", "on", "in", "of");

    /** Whether a word only joins others. */
    static boolean saysNothing(String word) {
        return IDLE.contains(word.toLowerCase(Locale.ROOT));
    }

    /** Whether a word says that a part is another one now. */
    static boolean saysChanged(String word) {
        return CHANGED.contains(word.toLowerCase(Locale.ROOT));
    }

    static FilmWords read(List<String> tokens) {
        Amounts amounts = Amounts.in(tokens);
        Double thickness = amounts.takeMillimetres();
        ServiceField field = ServiceKind.FILM_CHANGE.field("thicknessMm").orElseThrow();
        if (thickness != null && (thickness < field.low() || thickness > field.high())) {
            return refused("A film of " + Plain.number(thickness) + " mm is not believable: "
                    + Plain.number(field.low()) + " to " + Plain.number(field.high()) + " mm.");
        }
        List<String> left = new ArrayList<>(amounts.words());
        left.removeIf(w -> saysChanged(w) || saysNothing(w));
        String material = take("material", left).orElse("FEP");
        Optional<String> reason = take("endReason", left);
        if (!left.isEmpty()) {
            return refused("What is " + left.get(0) + "? A reason is one of "
                    + String.join(
                            ", ",
                            ServiceKind.FILM_CHANGE.field("endReason").orElseThrow().options().stream()
                                    .map(o -> o.words().toLowerCase(Locale.ROOT))
                                    .toList())
                    + ".");
        }
        Map<String, Object> values = new LinkedHashMap<>();
        values.put("material", material);
        values.put("thicknessMm", thickness == null ? USUAL_MM : thickness);
        values.put("endReason", reason.orElse("OTHER"));
        return new FilmWords(
                values,
                "new film, %s %s mm%s; %s."
                        .formatted(
                                material,
                                Plain.number((Double) values.get("thicknessMm")),
                                thickness == null ? " (the usual one)" : "",
                                reason.map(r -> "the old one ended " + r.toLowerCase(Locale.ROOT))
                                        .orElse("why the old one ended is not said")),
                null);
    }

    private static FilmWords refused(String why) {
        return new FilmWords(Map.of(), "", why);
    }

    /** Takes the first word that names an option of the field out of the words. */
    static Optional<String> take(ServiceKind kind, String fieldName, List<String> words) {
        ServiceField field = kind.field(fieldName).orElseThrow();
        Names<ServiceField.Option> names = new Names<>(field.options(), o -> List.of(o.code(), o.words()));
        for (String word : words) {
            Optional<ServiceField.Option> option = word.length() < 3 ? Optional.empty() : names.find(word);
            if (option.isPresent()) {
                words.remove(word);
                return option.map(ServiceField.Option::code);
            }
        }
        return Optional.empty();
    }

    private static Optional<String> take(String fieldName, List<String> words) {
        return take(ServiceKind.FILM_CHANGE, fieldName, words);
    }
}
