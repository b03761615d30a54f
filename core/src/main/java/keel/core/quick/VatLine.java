package keel.core.quick;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import keel.core.quick.Vocabulary.Word;

/** {@code v7 film new 0.127}, {@code v7 hazy}: what became of a vat on the shelf; {@code v7} alone shows it. */
final class VatLine {

    private static final Set<String> IDLE = Set.of("vat", "in", "of", "the", "is", "was", "has", "a");

    private final Word vat;

    VatLine(Word vat) {
        this.vat = vat;
    }

    Reading read(List<String> tokens) {
        List<String> said = new ArrayList<>(tokens);
        said.removeIf(w -> IDLE.contains(w.toLowerCase(Locale.ROOT)));
        if (said.stream().allMatch(FilmWords::saysChanged) && !said.isEmpty()) {
            return Reading.unclear(
                    "A new film in it?",
                    QuickLine.choice(
                                    vat.code().toLowerCase(Locale.ROOT) + " film new",
                                    new FilmLine(null, vat.code(), vat.name())
                                            .read(List.of("film", "new"), (line, read) -> Optional.empty()))
                            .stream()
                            .toList());
        }
        return said.isEmpty()
                ? QuickLine.open("vat", vat)
                : new FilmLine(null, vat.code(), vat.name())
                        .read(
                                said,
                                (line, read) ->
                                        QuickLine.choice(vat.code().toLowerCase(Locale.ROOT) + " " + line, read));
    }
}
