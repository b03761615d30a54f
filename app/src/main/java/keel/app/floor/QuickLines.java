package keel.app.floor;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.floor.find.Finder;
import keel.app.people.Actor;
import keel.core.find.Findable;
import keel.core.knowledge.Knowledge;
import keel.core.quick.Order;
import keel.core.quick.QuickLine;
import keel.core.quick.Reading;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Reads a line, writes what it asks for through the services of the other modules, and takes it back within a minute.
 */
@Service
@Transactional
public class QuickLines {

    /** How long a line can be taken back. */
    static final Duration UNDO = Duration.ofSeconds(60);

    private static final int FOUND = 8;

    private final QuickLine quickLine;
    private final Words words;
    private final QuickEntries entries;
    private final QuickWrites writes;
    private final QuickUndo undo;
    private final Finder finder;
    private final Clock clock;

    QuickLines(
            Knowledge knowledge,
            Words words,
            QuickEntries entries,
            QuickWrites writes,
            QuickUndo undo,
            Finder finder,
            Clock clock) {
        this.quickLine = new QuickLine(knowledge);
        this.words = words;
        this.entries = entries;
        this.writes = writes;
        this.undo = undo;
        this.finder = finder;
        this.clock = clock;
    }

    /** How a line would be read; nothing is written. */
    @Transactional(readOnly = true)
    public Understood read(String line) {
        Reading reading = quickLine.read(line, words.now());
        return understood(reading, line);
    }

    /** What is no entry is looked for. */
    private Understood understood(Reading reading, String line) {
        List<Findable> found = reading.understood()
                ? List.of()
                : finder.whileTyping(line).stream().limit(FOUND).toList();
        return Understood.of(reading, reading.open() == null ? null : path(reading.open()), found);
    }

    /** Writes all that a line asks for, if it is clear, or nothing. */
    public Understood commit(String line) {
        return commit(line, null);
    }

    /** The same; what says no time of its own was done at {@code entered}, null for now. */
    public Understood commit(String line, Instant entered) {
        Reading reading = quickLine.read(line, words.now());
        if (!reading.understood()) {
            return understood(reading, line);
        }
        QuickEntry first = null;
        String path = null;
        for (Reading.Entry asked : reading.entries()) {
            QuickEntry entry = new QuickEntry();
            Instant at = asked.at() == null ? entered : words.instant(asked.at());
            String made = writes.write(asked.order(), at, asked.note(), entry);
            path = first == null || made.equals(path) ? made : "/fleet";
            entry.personId = Actor.current().personId();
            entry.at = clock.instant();
            entry.line = line.strip();
            entry.reading =
                    reading.words().substring(0, Math.min(600, reading.words().length()));
            entry.firstId = first == null ? null : first.id;
            entries.save(entry);
            first = first == null ? entry : first;
        }
        return new Understood(
                true, reading.words(), Understood.lines(reading), true, path, first.id, first.at.plus(UNDO));
    }

    /** Takes a line back with all that it wrote, by whoever wrote it and within a minute. Answers its reading. */
    public String undo(long id) {
        QuickEntry entry = entries.findById(id)
                .filter(e -> e.personId == Actor.current().personId() && e.firstId == null)
                .orElseThrow(() -> new NotThere("There is no such line of yours."));
        if (entry.undoneAt != null) {
            throw new Conflict("This has been taken back already.");
        }
        if (clock.instant().isAfter(entry.at.plus(UNDO))) {
            throw new Conflict("The minute is over. Put it right on its own page; the logbook keeps both.");
        }
        entries.findByFirstIdOrderByIdDesc(id).forEach(this::takeBack);
        takeBack(entry);
        return entry.reading;
    }

    private void takeBack(QuickEntry entry) {
        entry.undoneAt = clock.instant();
        undo.takeBack(entry);
    }

    private static String path(Order.Open open) {
        return switch (open.kind()) {
            case "machine" -> "/machines/" + open.code();
            case "item" -> "/stores/" + open.code();
            case "vat" -> "/vats/" + open.code();
            case "bottle" -> "/stores/bottles/" + open.code();
            default -> "/air";
        };
    }
}
