package keel.app.floor.bring;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import keel.app.fleet.MachineRef;
import keel.core.bring.BringField;
import keel.core.bring.Cells;
import keel.core.bring.Columns;

/** A row of a table, read field by field; what cannot be read goes to its problems. */
final class BringRow {

    private final Columns columns;
    private final List<String> cells;
    private final Context context;
    private final Problems problems;

    BringRow(Columns columns, List<String> cells, Context context, Problems problems) {
        this.columns = columns;
        this.cells = cells;
        this.context = context;
        this.problems = problems;
    }

    /**
     * What all rows share.
     *
     * @param days how each column writes its days, by its place
     * @param decimals how the table writes them
     * @param words of the shop's own, with the code that each means
     * @param machines by their codes and names in small letters
     */
    record Context(
            Map<Integer, Cells.DayOrder> days,
            Cells.Decimals decimals,
            ZoneId zone,
            Map<String, String> words,
            Map<String, MachineRef> machines) {}

    /** Takes what is wrong with a field of the row; {@code word} is one that nobody knows, else null. */
    interface Problems {
        void add(BringField field, String text, String word);
    }

    Map<String, String> words() {
        return context.words();
    }

    /** Whether the table has a column for it at all. */
    boolean hasColumn(BringField field) {
        return columns.of(field) >= 0;
    }

    boolean has(BringField field) {
        return columns.of(field) >= 0 && !text(field).isBlank();
    }

    /** Empty where there is no such column, or nothing in it. */
    String text(BringField field) {
        int at = columns.of(field);
        return at < 0 ? "" : cells.get(at).strip();
    }

    /** What a word of the shop's own means; the word itself where it is none. */
    String meant(String word) {
        return context.words().entrySet().stream()
                .filter(w -> w.getKey().strip().equalsIgnoreCase(word.strip()))
                .map(w -> w.getValue().strip())
                .findFirst()
                .orElse(word.strip());
    }

    /** The machine that it names; null, with the problem, where there is none. */
    MachineRef machine() {
        if (!has(BringField.MACHINE)) {
            wrong(BringField.MACHINE, "Which machine is missing.");
            return null;
        }
        String named = text(BringField.MACHINE);
        MachineRef machine = context.machines().get(meant(named).toLowerCase(Locale.ROOT));
        if (machine == null) {
            wrong(BringField.MACHINE, "There is no machine called " + named + ".");
        }
        return machine;
    }

    Double number(BringField field) {
        return read(field, text -> Cells.number(text, context.decimals()));
    }

    Integer whole(BringField field) {
        return read(field, Cells::whole);
    }

    Double hours(BringField field) {
        return read(field, text -> Cells.hours(text, context.decimals()));
    }

    Instant moment(BringField field) {
        Cells.DayOrder order = context.days().getOrDefault(columns.of(field), Cells.DayOrder.DAY_FIRST);
        return read(field, text -> Cells.moment(text, order, context.zone()));
    }

    private <T> T read(BringField field, Function<String, T> reader) {
        if (!has(field)) {
            return null;
        }
        try {
            return reader.apply(text(field));
        } catch (IllegalArgumentException e) {
            problems.add(field, e.getMessage(), null);
            return null;
        }
    }

    void wrong(BringField field, String text) {
        problems.add(field, text, null);
    }

    /** A word whose meaning has to be said first. */
    void unknown(BringField field, String word, String ask) {
        problems.add(field, "What is meant by " + word + "? " + ask, word);
    }
}
