package keel.core.find;

import java.text.Normalizer;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.apache.commons.text.similarity.LevenshteinDistance;

/**
 * What somebody means by a few letters: each word typed must be one of the thing's words, begin one, stand in one, or
 * be one but for a slip. Whole words count more than beginnings, names more than what is said beside them, a thing that
 * is meant by all of its name more than one with much besides.
 */
public final class Search {

    private static final Pattern BETWEEN = Pattern.compile("[^\\p{L}\\p{N}.]+");
    private static final Pattern MARKS = Pattern.compile("\\p{M}+");

    private static final double WHOLE = 4;
    private static final double BEGINS = 3;
    private static final double WITHIN = 1.5;
    private static final double SLIP = 1;
    private static final double BESIDE = 0.6;
    private static final int LEAST_WITHIN = 3;
    private static final int LEAST_SLIP = 4;
    private static final int LONG = 8;

    private Search() {}

    private record Hit(Findable found, double score) {}

    /**
     * @param q as typed
     * @param most so many at most
     * @return the best first; those that score alike in the order in which they were given
     */
    public static List<Findable> of(String q, List<Findable> all, int most) {
        String[] typed = words(q);
        if (typed.length == 0) {
            return List.of();
        }
        return all.stream()
                .map(f -> new Hit(f, score(typed, f)))
                .filter(h -> h.score() > 0)
                .sorted(Comparator.comparingDouble(Hit::score).reversed())
                .limit(most)
                .map(Hit::found)
                .toList();
    }

    /** 0 unless each word typed is found. */
    private static double score(String[] typed, Findable f) {
        String[] name = words(f.name());
        String[] kind = words(f.kind());
        String[] beside = words(f.words());
        double sum = 0;
        int ofName = 0;
        for (String word : typed) {
            double inName = best(word, name);
            double other = BESIDE * Math.max(best(word, beside), best(word, kind));
            if (inName == 0 && other == 0) {
                return 0;
            }
            ofName += inName > 0 ? 1 : 0;
            sum += Math.max(inName, other);
        }
        return sum + (double) ofName / Math.max(1, name.length);
    }

    private static double best(String word, String[] of) {
        return Arrays.stream(of).mapToDouble(w -> meant(word, w)).max().orElse(0);
    }

    private static double meant(String typed, String word) {
        if (word.equals(typed)) {
            return WHOLE;
        }
        if (word.startsWith(typed)) {
            return BEGINS;
        }
        if (typed.length() >= LEAST_WITHIN && word.contains(typed)) {
            return WITHIN;
        }
        boolean number = Character.isDigit(typed.charAt(0));
        return !number && typed.length() >= LEAST_SLIP && slip(typed, word) ? SLIP : 0;
    }

    private static boolean slip(String typed, String word) {
        int most = typed.length() >= LONG ? 2 : 1;
        String begin = word.length() > typed.length() + most ? word.substring(0, typed.length()) : word;
        return swapped(typed, word) || new LevenshteinDistance(most).apply(typed, begin) >= 0;
    }

    /** Two letters beside one another the wrong way round. */
    private static boolean swapped(String typed, String word) {
        if (typed.length() != word.length()) {
            return false;
        }
        int i = 0;
        while (i < typed.length() && typed.charAt(i) == word.charAt(i)) {
            i++;
        }
        return i + 1 < typed.length()
                && typed.charAt(i) == word.charAt(i + 1)
                && typed.charAt(i + 1) == word.charAt(i)
                && typed.substring(i + 2).equals(word.substring(i + 2));
    }

    /** Small letters without marks, split at all that is neither letter nor digit. */
    private static String[] words(String text) {
        String plain =
                MARKS.matcher(Normalizer.normalize(text, Normalizer.Form.NFD)).replaceAll("");
        return Arrays.stream(BETWEEN.split(plain.toLowerCase(Locale.ROOT)))
                .filter(w -> !w.isEmpty())
                .toArray(String[]::new);
    }
}
