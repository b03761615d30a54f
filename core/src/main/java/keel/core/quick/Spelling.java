package keel.core.quick;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * Makes one spelling of the many that hands use: spaces around signs and units, decimals that begin with a point or a
 * comma, thousands with a gap, hours and minutes in words. What is a list becomes words and separators; nothing else is
 * changed, and letters keep their case.
 */
final class Spelling {

    private static final Set<String> SEPARATORS = Set.of(",", "and", "then", "und", "et");
    private static final String COUNTED = "(?=\\s*(?:layers?|l\\b|ml|schichten|couches))";
    private static final String HOUR = "\\s*(?:h|hrs?|hours?|std|stunden|heures?)\\s*";

    private static final List<Rule> RULES = List.of(
            new Rule("[\u2212\u2013\u2014]", "-"),
            new Rule("(\\d)\u00bd", "$1.5"),
            new Rule("\u00bd", "0.5"),
            new Rule("(?<!\\S)([+-])\\s+(?=[\\d.,])", "$1"),
            new Rule("(?<![\\d\\p{L}])([+-]?)[.,](?=\\d)", "$10."),
            new Rule("(?<![\\d.,\\p{L}])(\\d{1,3})['\u2019\u00a0\u202f](\\d{3})(?!\\d)" + COUNTED, "$1$2"),
            new Rule("(?<![\\d.,\\p{L}])(\\d{1,3}) (\\d{3})(?!\\d)(?=\\s*(?:layers|schichten|couches))", "$1$2"),
            new Rule("(?<![\\d.,])(\\d{1,3})\\.(\\d{3})(?!\\d)(?=\\s*(?:layers?|schichten|couches))", "$1$2"),
            new Rule(
                    "(?i)(?<![\\d.,])(\\d{1,3})" + HOUR + "(\\d{1,2})\\s*(?:m|mins?|minutes?|minuten)(?!\\w)", "$1h$2"),
            new Rule("(?i)(?<![\\d.,])(\\d{1,3})" + HOUR + "(\\d{1,2})(?=\\s*$|\\s+\\d|\\s*,(?!\\d))", "$1h$2"),
            new Rule("(?i)(\\d)\\s+(mm|cl|ml|l|litres?|liters?)(?!\\w)", "$1$2"),
            new Rule("(?i)(\\d)\\s*(?:°|degrees?|deg|grad)\\s*(c|f|celsius|fahrenheit)?(?!\\w)", "$1°$2"),
            new Rule("(?i)(\\d)\\s+([cf])(?!\\S)", "$1$2"),
            new Rule("(?i)(\\d)\\s*(?:%|percent|per cent|prozent)(\\s*(?:rh|humidity))?(?!\\w)", "$1%"),
            new Rule("[;&]|,(?!\\d)|(?<!\\d),", " , "),
            new Rule("(?<!\\S)-(?!\\S)", " "),
            new Rule("[.!]+\\s*$", ""));

    private Spelling() {}

    private record Rule(Pattern form, String as) {

        Rule(String form, String as) {
            this(Pattern.compile(form), as);
        }
    }

    /** The words and separators of a line. */
    static List<String> words(String line) {
        String plain = line;
        for (Rule rule : RULES) {
            plain = rule.form.matcher(plain).replaceAll(rule.as);
        }
        return new ArrayList<>(Arrays.stream(plain.strip().split("\\s+"))
                .filter(w -> !w.isEmpty())
                .toList());
    }

    /** Whether a word only stands between two facts. */
    static boolean separates(String word) {
        return SEPARATORS.contains(word.toLowerCase(Locale.ROOT));
    }
}
