package keel.core.quick;

import java.text.Normalizer;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import org.apache.commons.text.similarity.JaroWinklerSimilarity;

/** Finds things by a name typed in a hurry: exactly, by its first letters, by one of its words, or by likeness. */
final class Names<T> {

    private static final JaroWinklerSimilarity LIKENESS = new JaroWinklerSimilarity();
    private static final double LIKE_ENOUGH = 0.72;

    private final List<T> things;
    private final Function<T, List<String>> names;

    /** @param names what a thing may be called, its code first */
    Names(List<T> things, Function<T, List<String>> names) {
        this.things = things;
        this.names = names;
    }

    /** The one thing that is meant: called so, or the only one whose name, or a word of it, begins so. */
    Optional<T> find(String typed) {
        String plain = plain(typed);
        if (plain.isEmpty()) {
            return Optional.empty();
        }
        return only(plain, String::equals)
                .or(() -> only(plain, String::startsWith))
                .or(() -> plain.length() < 3
                        ? Optional.empty()
                        : only(plain, (name, start) -> name.contains("-" + start)));
    }

    /** The only thing that is called so. */
    Optional<T> exact(String typed) {
        String plain = plain(typed);
        return plain.isEmpty() ? Optional.empty() : only(plain, String::equals);
    }

    /** The only thing that is called so, or begins so. */
    Optional<T> beginning(String typed) {
        String plain = plain(typed);
        return plain.isEmpty() ? Optional.empty() : exact(typed).or(() -> only(plain, String::startsWith));
    }

    /** How many things begin so. */
    long begun(String typed) {
        String plain = plain(typed);
        return plain.isEmpty()
                ? 0
                : things.stream()
                        .filter(t -> plains(t).stream().anyMatch(n -> n.startsWith(plain)))
                        .count();
    }

    /** Things that may be meant, best first, at most {@code most}; all that begin so where some do. */
    List<T> nearest(String typed, int most) {
        String plain = plain(typed);
        List<T> begin = things.stream()
                .filter(t -> plains(t).stream().anyMatch(n -> n.startsWith(plain)))
                .limit(most)
                .toList();
        if (!begin.isEmpty() && !plain.isEmpty()) {
            return begin;
        }
        return things.stream()
                .filter(t -> likeness(t, plain) >= LIKE_ENOUGH)
                .sorted(Comparator.comparingDouble((T t) -> likeness(t, plain)).reversed())
                .limit(most)
                .toList();
    }

    private Optional<T> only(String typed, java.util.function.BiPredicate<String, String> fits) {
        List<T> found = things.stream()
                .filter(t -> plains(t).stream().anyMatch(n -> fits.test(n, typed)))
                .limit(2)
                .toList();
        return found.size() == 1 ? Optional.of(found.get(0)) : Optional.empty();
    }

    private double likeness(T thing, String typed) {
        return plains(thing).stream()
                .mapToDouble(n -> LIKENESS.apply(n, typed))
                .max()
                .orElse(0);
    }

    private List<String> plains(T thing) {
        return names.apply(thing).stream().map(Names::plain).toList();
    }

    /** Lower case letters and digits, everything else a single dash. */
    static String plain(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", "");
    }
}
