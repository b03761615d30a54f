package keel.core.quick;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.core.quick.Reading.Choice;
import keel.core.quick.Vocabulary.Word;
import keel.core.standing.ServiceKind;

/** {@code v7 film new 0.127}: the film of a spare vat was changed; {@code v7} alone shows it. */
final class VatLine {

    private final Word vat;

    VatLine(Word vat) {
        this.vat = vat;
    }

    Reading read(List<String> tokens) {
        if (tokens.isEmpty()) {
            return QuickLine.open("vat", vat);
        }
        if (!tokens.get(0).equalsIgnoreCase("film")) {
            return Reading.unclear(
                    "Of a vat only a new film can be told here.",
                    List.of(new Choice(
                            vat.code().toLowerCase(Locale.ROOT) + " film new 0.127",
                            "a new film in vat " + vat.code())));
        }
        FilmWords film = FilmWords.read(tokens.subList(1, tokens.size()));
        if (film.wrong() != null) {
            return Reading.unclear(film.wrong(), List.of());
        }
        Map<String, Object> values = new LinkedHashMap<>(film.values());
        values.put("vat", vat.code());
        return Reading.clear(
                new Order.DoService(null, ServiceKind.FILM_CHANGE, values), "Vat " + vat.code() + ": " + film.words());
    }
}
