package keel.app.floor.bring;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import keel.app.base.Conflict;
import keel.app.base.LongWork;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.app.standing.Rebuild;
import keel.core.Finding;
import keel.core.bring.BringField;
import keel.core.bring.BringKind;
import keel.core.bring.Cells;
import keel.core.bring.Columns;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Brings a table in: every row goes the way that a form goes, all in one transaction. What is only looked at is written
 * and rolled back, so that a look finds what the writing would find.
 */
@Service
public class Bringing {

    private static final int MOST_PROBLEMS = 500;
    private static final int LATELY = 30;

    private final SheetReader reader;
    private final Map<BringKind, RowWriter> writers = new EnumMap<>(BringKind.class);
    private final BroughtRecords records;
    private final BroughtRows rows;
    private final Rebuild rebuild;
    private final Fleet fleet;
    private final ShopSettings settings;
    private final Logbook logbook;
    private final LongWork longWork;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Bringing(
            SheetReader reader,
            List<RowWriter> writers,
            BroughtRecords records,
            BroughtRows rows,
            Rebuild rebuild,
            Fleet fleet,
            ShopSettings settings,
            Logbook logbook,
            LongWork longWork,
            PlatformTransactionManager transactions,
            Clock clock) {
        this.reader = reader;
        writers.forEach(w -> this.writers.put(w.kind(), w));
        this.records = records;
        this.rows = rows;
        this.rebuild = rebuild;
        this.fleet = fleet;
        this.settings = settings;
        this.logbook = logbook;
        this.longWork = longWork;
        this.transaction = new TransactionTemplate(transactions);
        this.clock = clock;
    }

    /**
     * A table as somebody brings it.
     *
     * @param map code of a field by heading; headings that are not in it are guessed
     * @param words of the shop's own, with the code that each means
     */
    public record Asked(
            String name, byte[] bytes, BringKind kind, Map<String, String> map, Map<String, String> words) {}

    /**
     * Something that is wrong with a row.
     *
     * @param row as the file numbers it, the headings' is 1
     * @param word that nobody knows the meaning of, null for anything else
     */
    public record Problem(int row, String column, String text, String word) {}

    /** A column, and what it is taken for; {@code field} null where it is left out. */
    public record Column(String name, String field) {}

    /**
     * What a table holds.
     *
     * @param good rows that can be written, or stand there already
     * @param already rows of which the records know
     * @param problems the first of them; none where all is well
     * @param batch under which it can be taken back, null where nothing was written
     */
    public record Looked(
            List<Column> columns,
            int rows,
            int good,
            int already,
            List<Problem> problems,
            String how,
            List<List<String>> first,
            Long batch) {}

    /** Ends a transaction that is not to last, whatever is in it. */
    private static final class OnlyLooked extends RuntimeException {

        private static final long serialVersionUID = 1;

        OnlyLooked() {
            super(null, null, false, false);
        }
    }

    /** Finds all that is wrong, and writes nothing. */
    public Looked look(Asked asked) {
        return bring(asked, false);
    }

    /** Writes all of it where nothing is wrong; else nothing, and says what is. */
    public Looked apply(Asked asked) {
        return bring(asked, true);
    }

    private Looked bring(Asked asked, boolean write) {
        Actor.require(Role.KEEPER);
        Sheet sheet = reader.read(asked.name(), asked.bytes());
        Columns columns = columns(asked, sheet);
        Tried tried = new Tried(asked, sheet, columns);
        try {
            transaction.executeWithoutResult(status -> rebuild.onceAfter(() -> {
                write(tried);
                if (!write || !tried.problems.isEmpty()) {
                    throw new OnlyLooked();
                }
                tried.batch = written(asked, tried.subjects);
            }));
        } catch (OnlyLooked e) {
            tried.batch = null;
        }
        return tried.looked();
    }

    private static Columns columns(Asked asked, Sheet sheet) {
        try {
            Columns columns = Columns.of(asked.kind(), sheet.headings(), asked.map());
            List<String> missing = BringField.wanted(asked.kind()).stream()
                    .filter(f -> columns.of(f) < 0)
                    .map(BringField::code)
                    .toList();
            if (missing.size() == BringField.wanted(asked.kind()).size()) {
                throw new Refused(
                        "file",
                        "No column of this table says anything of "
                                + asked.kind().words().toLowerCase(Locale.ROOT)
                                + ". Its first row has to be its headings.");
            }
            return columns;
        } catch (IllegalArgumentException e) {
            throw new Refused("map", e.getMessage());
        }
    }

    /** What came of a table so far. */
    private static final class Tried {

        private final Asked asked;
        private final Sheet sheet;
        private final Columns columns;
        private final List<Problem> problems = new ArrayList<>();
        private final List<String> subjects = new ArrayList<>();
        private int good;
        private int already;
        private Long batch;

        Tried(Asked asked, Sheet sheet, Columns columns) {
            this.asked = asked;
            this.sheet = sheet;
            this.columns = columns;
        }

        String heading(BringField field) {
            int at = columns.of(field);
            return at < 0 ? field.code() : sheet.headings().get(at);
        }

        void wrong(int row, String column, String text) {
            problems.add(new Problem(row, column, text, null));
        }

        Looked looked() {
            return new Looked(
                    columns.columns().stream()
                            .map(c -> new Column(
                                    c.name(),
                                    c.field() == null ? null : c.field().code()))
                            .toList(),
                    sheet.rows().size(),
                    good,
                    already,
                    problems.stream()
                            .sorted(Comparator.comparingInt(Problem::row))
                            .limit(MOST_PROBLEMS)
                            .toList(),
                    sheet.how(),
                    sheet.rows().subList(0, Math.min(5, sheet.rows().size())),
                    batch);
        }
    }

    private void write(Tried tried) {
        Map<Integer, Cells.DayOrder> days = new HashMap<>();
        for (int i = 0; i < tried.sheet.headings().size(); i++) {
            days.put(i, Cells.order(tried.sheet.column(i)));
        }
        List<String> numbers = new ArrayList<>();
        for (int i = 0; i < tried.columns.columns().size(); i++) {
            BringField field = tried.columns.columns().get(i).field();
            if (field != null && field.number()) {
                numbers.addAll(tried.sheet.column(i));
            }
        }
        BringRow.Context context = new BringRow.Context(
                days, Cells.Decimals.of(numbers), settings.zone(), new TreeMap<>(tried.asked.words()), machines());
        RowWriter writer = writers.get(tried.asked.kind());
        List<Integer> order = order(tried, context, writer);
        for (int i = 0; i < order.size(); i++) {
            row(tried, order.get(i), context, writer);
            longWork.after(i);
        }
    }

    private static List<Integer> order(Tried tried, BringRow.Context context, RowWriter writer) {
        List<Integer> order =
                IntStream.range(0, tried.sheet.rows().size()).boxed().toList();
        return writer.inOrderOf()
                .map(by -> order.stream()
                        .sorted(Comparator.comparing(
                                (Integer i) -> new BringRow(
                                                tried.columns,
                                                tried.sheet.rows().get(i),
                                                context,
                                                (field, text, word) -> {})
                                        .moment(by),
                                Comparator.nullsLast(Comparator.naturalOrder())))
                        .toList())
                .orElse(order);
    }

    private void row(Tried tried, int i, BringRow.Context context, RowWriter writer) {
        int number = tried.sheet.numbers().get(i);
        int before = tried.problems.size();
        BringRow row = new BringRow(
                tried.columns,
                tried.sheet.rows().get(i),
                context,
                (field, text, word) -> tried.problems.add(new Problem(number, tried.heading(field), text, word)));
        try {
            Optional<String> subject = writer.write(row);
            if (tried.problems.size() == before) {
                tried.good++;
                subject.ifPresentOrElse(tried.subjects::add, () -> tried.already++);
            }
        } catch (Refused e) {
            for (Finding f : e.findings()) {
                tried.wrong(number, column(tried, f.field()), f.message());
            }
        } catch (Conflict e) {
            tried.wrong(number, column(tried, e.field()), e.getMessage());
        } catch (NotThere e) {
            tried.wrong(number, "", e.getMessage());
        }
    }

    /** The heading of the column that a finding is about. */
    private static String column(Tried tried, String field) {
        return BringField.of(tried.asked.kind(), field == null ? "" : field)
                .map(tried::heading)
                .orElse(field == null ? "" : field);
    }

    private Map<String, MachineRef> machines() {
        Map<String, MachineRef> known = new HashMap<>();
        List<MachineRef> all = fleet.refs();
        all.forEach(m -> known.put(m.name().toLowerCase(Locale.ROOT), m));
        all.forEach(m -> known.put(m.code().toLowerCase(Locale.ROOT), m));
        return known;
    }

    private Long written(Asked asked, List<String> subjects) {
        if (subjects.isEmpty()) {
            return null;
        }
        Actor actor = Actor.current();
        Brought batch = new Brought();
        batch.kind = asked.kind();
        batch.fileName = asked.name() == null || asked.name().isBlank() ? "table" : cut(asked.name());
        batch.at = clock.instant();
        batch.personId = actor.personId();
        records.save(batch);
        rows.saveAll(subjects.stream().map(s -> new BroughtRow(batch.id, s)).toList());
        note(batch, "brought in from " + batch.fileName + ", rows: " + subjects.size() + ".", actor);
        return batch.id;
    }

    private static String cut(String name) {
        return name.length() <= 200 ? name : name.substring(0, 200);
    }

    private void note(Brought batch, String text, Actor actor) {
        logbook.write(LogDraft.of(
                LogKind.BROUGHT_IN,
                null,
                "BROUGHT",
                batch.id,
                clock.instant(),
                batch.kind.words() + ": " + text,
                Map.of("file", batch.fileName),
                actor));
    }

    /** Tables that were brought in, the latest first. */
    @Transactional(readOnly = true)
    public List<BroughtRecords.Batch> latest() {
        return records.latest(Limit.of(LATELY));
    }

    /**
     * Takes back all that a table brought.
     *
     * @throws Conflict if it was taken back already, or something of it cannot go any more
     */
    @Transactional
    public void takeBack(long id) {
        Actor actor = Actor.require(Role.KEEPER);
        Brought batch = records.findById(id)
                .orElseThrow(() -> new NotThere("There is no table " + id + " that was brought in."));
        if (batch.takenBackAt != null) {
            throw new Conflict("This table was taken back already.");
        }
        RowWriter writer = writers.get(batch.kind);
        List<String> subjects = records.subjects(id);
        rebuild.onceAfter(() -> {
            // what was written last goes first: a part that was put in leaves before the one that it replaced comes
            // back
            for (int i = 0; i < subjects.size(); i++) {
                writer.takeBack(subjects.get(subjects.size() - 1 - i));
                longWork.after(i);
            }
        });
        Brought now = records.findById(id).orElseThrow();
        now.takenBackAt = clock.instant();
        note(now, "taken back, as they came from " + now.fileName + ", rows: " + subjects.size() + ".", actor);
    }

    /** Words that nobody knows, each once; for a page that asks what they mean. */
    public static List<String> unknown(Looked looked) {
        return looked.problems().stream()
                .map(Problem::word)
                .filter(Objects::nonNull)
                .distinct()
                .toList();
    }
}
