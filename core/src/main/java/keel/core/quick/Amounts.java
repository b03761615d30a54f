package keel.core.quick;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The words of a line with its amounts taken out: 5h20, 90min, 84ml, 1180 layers, 2.3s, 0.127mm, layer 610. Decimals
 * with point or comma. What is left are words.
 */
final class Amounts {

    private static final String NUMBER = "(\\d+(?:[.,]\\d+)?)";
    private static final Pattern HOURS_MINUTES = Pattern.compile("(\\d{1,3})h(\\d{1,2})(?:m|min)?");
    private static final Pattern CLOCK = Pattern.compile("(\\d{1,3}):(\\d{2})(?:h)?");
    private static final Pattern HOURS = Pattern.compile(NUMBER + "(?:h|hours?|hrs?)");
    private static final Pattern MINUTES = Pattern.compile(NUMBER + "(?:m|min|minutes?)");
    private static final Pattern MILLILITRES = Pattern.compile(NUMBER + "ml");
    private static final Pattern LAYERS = Pattern.compile("(\\d{1,6})(?:l|layers?)");
    private static final Pattern SECONDS = Pattern.compile(NUMBER + "(?:s|sec|seconds?)");
    private static final Pattern MILLIMETRES = Pattern.compile(NUMBER + "(?:mm)?");
    private static final Pattern UNIT = Pattern.compile("h|hours?|hrs?|min|minutes?|ml|layers?|s|sec|seconds?|mm");

    private final List<String> words = new ArrayList<>();
    private Double hours;
    private Double ml;
    private Integer layers;
    private Double seconds;
    private Integer reachedLayer;

    private Amounts() {}

    static Amounts in(List<String> tokens) {
        Amounts amounts = new Amounts();
        for (int i = 0; i < tokens.size(); i++) {
            String token = tokens.get(i);
            boolean hasNext = i + 1 < tokens.size();
            if (token.equalsIgnoreCase("layer") && hasNext && tokens.get(i + 1).matches("\\d{1,6}")) {
                amounts.reachedLayer = Integer.valueOf(tokens.get(++i));
            } else if (hasNext
                    && token.matches("\\d+([.,]\\d+)?")
                    && UNIT.matcher(tokens.get(i + 1)).matches()
                    && amounts.take(token + tokens.get(i + 1))) {
                i++;
            } else if (!amounts.take(token)) {
                amounts.words.add(token);
            }
        }
        return amounts;
    }

    private boolean take(String token) {
        String t = token.toLowerCase(Locale.ROOT);
        Matcher two = HOURS_MINUTES.matcher(t);
        if (!two.matches()) {
            two = CLOCK.matcher(t);
        }
        if (two.matches() && hours == null) {
            hours = Integer.parseInt(two.group(1)) + Integer.parseInt(two.group(2)) / 60.0;
            return true;
        }
        return read(HOURS, t, hours == null, n -> hours = number(n))
                || read(MINUTES, t, true, n -> hours = (hours == null ? 0 : hours) + number(n) / 60)
                || read(MILLILITRES, t, ml == null, n -> ml = number(n))
                || read(LAYERS, t, layers == null, n -> layers = Integer.valueOf(n))
                || read(SECONDS, t, seconds == null, n -> seconds = number(n));
    }

    /** Takes the number out of a word of this form, where none was taken before. */
    private static boolean read(Pattern form, String word, boolean wanted, Consumer<String> take) {
        Matcher m = form.matcher(word);
        if (!wanted || !m.matches()) {
            return false;
        }
        take.accept(m.group(1));
        return true;
    }

    /** Takes the first word that is a plain number or a length out of the words; null if there is none. */
    Double takeMillimetres() {
        for (String word : words) {
            Matcher m = MILLIMETRES.matcher(word.toLowerCase(Locale.ROOT));
            if (m.matches()) {
                words.remove(word);
                return number(m.group(1));
            }
        }
        return null;
    }

    static double number(String text) {
        return Double.parseDouble(text.replace(',', '.'));
    }

    List<String> words() {
        return words;
    }

    Double hours() {
        return hours;
    }

    Double ml() {
        return ml;
    }

    Integer layers() {
        return layers;
    }

    Double seconds() {
        return seconds;
    }

    Integer reachedLayer() {
        return reachedLayer;
    }
}
