package keel.core.bring;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Which column of a table is what: as somebody says, else guessed from its heading; a field at most once. */
public record Columns(List<Column> columns) {

    /** A column; {@code field} null where it is nothing that is taken. */
    public record Column(String name, @Nullable BringField field) {}

    /**
     * @param said code of a field by heading, empty for a column that is left out; headings that are not in it are
     *     guessed
     * @throws IllegalArgumentException with a sentence, for a heading or field that is not there, or one named twice
     */
    public static Columns of(BringKind kind, List<String> headings, Map<String, String> said) {
        for (String heading : said.keySet()) {
            require(headings.contains(heading), "There is no column called " + heading + ".");
        }
        Set<BringField> taken = EnumSet.noneOf(BringField.class);
        for (String code : said.values()) {
            if (!code.isBlank()) {
                BringField field = BringField.of(kind, code)
                        .orElseThrow(() ->
                                new IllegalArgumentException(kind.words() + " have nothing called " + code + "."));
                require(taken.add(field), "Two columns are said to be " + code + ".");
            }
        }
        Map<Integer, BringField> fields = new HashMap<>();
        for (boolean exactly : new boolean[] {true, false}) {
            for (int i = 0; i < headings.size(); i++) {
                if (!said.containsKey(headings.get(i)) && !fields.containsKey(i)) {
                    BringField field = BringField.guess(kind, headings.get(i), taken, exactly)
                            .orElse(null);
                    if (field != null) {
                        taken.add(field);
                        fields.put(i, field);
                    }
                }
            }
        }
        List<Column> columns = new ArrayList<>();
        for (int i = 0; i < headings.size(); i++) {
            String code = said.get(headings.get(i));
            BringField named = code == null ? null : BringField.of(kind, code).orElse(null);
            columns.add(new Column(headings.get(i), named == null ? fields.get(i) : named));
        }
        return new Columns(columns);
    }

    private static void require(boolean holds, String sentence) {
        if (!holds) {
            throw new IllegalArgumentException(sentence);
        }
    }

    /** Place of a field's column; -1 where there is none. */
    public int of(BringField field) {
        for (int i = 0; i < columns.size(); i++) {
            if (columns.get(i).field() == field) {
                return i;
            }
        }
        return -1;
    }
}
