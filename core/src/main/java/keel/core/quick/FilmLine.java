package keel.core.quick;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import keel.core.film.Clouding;
import keel.core.quick.Reading.Choice;
import keel.core.standing.ServiceKind;

/**
 * What is said of the film of a machine or of a spare vat: a new one, how it looks, or what is wrong with it. The film
 * alone says nothing.
 */
final class FilmLine {

    private static final Set<String> IDLE = Set.of("looks", "look", "looked", "still", "at", "film", "on", "in", "of");

    private final String machine;
    private final String vat;
    private final String name;

    /** @param vat code of a vat on the shelf, null where it is the film of a machine */
    FilmLine(String machine, String vat, String name) {
        this.machine = machine;
        this.vat = vat;
        this.name = name;
    }

    Reading read(List<String> tokens, BiFunction<String, Reading, Optional<Choice>> choice) {
        if (tokens.stream().anyMatch(FilmWords::saysChanged)) {
            return changed(tokens);
        }
        List<String> said = new ArrayList<>(tokens);
        said.removeIf(w -> IDLE.contains(w.toLowerCase(Locale.ROOT)));
        Optional<Clouding> grade = grade(said);
        if (grade.isPresent()) {
            return Reading.clear(
                    new Order.LookAtFilm(machine, vat, grade.get()),
                    name + ": the film looks " + grade.get().words().toLowerCase(Locale.ROOT) + ", "
                            + grade.get().looks() + ".");
        }
        String cause = VatFound.cause(said);
        if (cause != null) {
            return found(cause);
        }
        List<String> offered =
                said.isEmpty() ? List.of("film new", "film clear", "film hazy", "film milky") : List.of("film new");
        return Reading.unclear(
                said.isEmpty()
                        ? "What of the film? A new one, or how it looks: clear, faint, hazy, clouded, milky."
                        : "What is " + said.get(0) + "? Of a film: new, or how it looks.",
                offered.stream()
                        .flatMap(line ->
                                choice.apply(line, read(List.of(line.split(" ")).subList(1, 2), choice)).stream())
                        .toList());
    }

    private static Optional<Clouding> grade(List<String> said) {
        return said.size() != 1
                ? Optional.empty()
                : Arrays.stream(Clouding.values())
                        .filter(c -> c.name().equalsIgnoreCase(said.get(0)))
                        .findFirst();
    }

    private Reading changed(List<String> tokens) {
        FilmWords film = FilmWords.read(tokens);
        return film.wrong() != null
                ? Reading.unclear(film.wrong(), List.of())
                : clear(ServiceKind.FILM_CHANGE, film.values(), film.words());
    }

    private Reading found(String cause) {
        return clear(
                ServiceKind.VAT_INSPECTED,
                Map.of("clean", false, "found", List.of(cause)),
                "vat inspected, not in order: " + (cause.equals("film-slack") ? "film slack." : "film pierced."));
    }

    private Reading clear(ServiceKind kind, Map<String, Object> values, String words) {
        Map<String, Object> all = new LinkedHashMap<>(values);
        if (vat != null) {
            all.put("vat", vat);
        }
        return Reading.clear(new Order.DoService(machine, kind, all), name + ": " + words);
    }
}
