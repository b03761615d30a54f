package keel.core.quick;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A line and the note behind its colon. The colon of a time is none, and one behind a bare name only parts it from what
 * comes.
 *
 * @param note null for none
 */
record Noted(String line, String note) {

    private static final Pattern COLON = Pattern.compile("(?<!\\d):|:(?!\\d)");

    static Noted of(String typed) {
        Matcher colon = COLON.matcher(typed);
        if (!colon.find()) {
            return new Noted(typed, null);
        }
        String before = typed.substring(0, colon.start())
                .replaceAll("(?i)\\bnote\\s*$", "")
                .strip();
        String after = typed.substring(colon.end()).strip();
        List<String> words = Spelling.words(before);
        boolean said =
                Verb.in(words).filter(f -> Verb.isAction(words.get(f.at()))).isPresent();
        if (!said || words.size() == 1) {
            return new Noted(before + " " + after, null);
        }
        return new Noted(before, after.isEmpty() ? null : after);
    }
}
