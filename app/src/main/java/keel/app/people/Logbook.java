package keel.app.people;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.List;
import keel.app.base.Conflict;
import keel.app.base.Typed;
import keel.app.base.Where;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The shop's memory: every entry with who, when it happened, when it was written; found again by text. */
@Service
@Transactional
public class Logbook {

    private static final String LINES =
            """
            select new keel.app.people.LogLine(e.id, e.kind, m.code, m.name, e.subjectKind, e.subjectId,
            e.happenedAt, e.writtenAt, p.name, e.via,
            e.headline, e.note, e.content, e.supersedesId, e.reason,
            case when exists (select 1 from LogEntry later where later.supersedesId = e.id) then true else false end)
            from LogEntry e join Person p on p.id = e.personId left join LogMachine m on m.id = e.machineId
            """;

    private final EntityManager entities;
    private final LogEntries entries;
    private final ObjectMapper json;
    private final Clock clock;

    Logbook(EntityManager entities, LogEntries entries, ObjectMapper json, Clock clock) {
        this.entities = entities;
        this.entries = entries;
        this.json = json;
        this.clock = clock;
    }

    /** Writes an entry in the caller's transaction and answers its id. */
    public long write(LogDraft draft) {
        LogEntry entry = new LogEntry();
        entry.kind = draft.kind();
        entry.machineId = draft.machineId();
        entry.subjectKind = draft.subjectKind();
        entry.subjectId = draft.subjectId();
        entry.happenedAt = draft.happenedAt();
        entry.writtenAt = clock.instant();
        entry.personId = draft.by().personId();
        entry.via = draft.by().via();
        entry.headline = shorten(draft.headline(), 400);
        entry.note = draft.note();
        entry.content = json(draft.content());
        entry.supersedesId = draft.supersedes();
        entry.reason = draft.reason();
        entities.persist(entry);
        return entry.id;
    }

    /** Id of the newest entry of these kinds about a subject, or null. */
    @Transactional(readOnly = true)
    public Long latest(String subjectKind, long subjectId, LogKind... kinds) {
        return entries.latest(subjectKind, subjectId, List.of(kinds));
    }

    /** What has a code and a name. */
    public record Named(String code, String name) {}

    /** Machines that entries may be about, those that left the shop too, by name. */
    @Transactional(readOnly = true)
    public List<Named> machines() {
        return entries.machines();
    }

    /** A page of entries, and whether there are older ones. */
    public record LogPage(List<LogLine> lines, boolean more) {}

    @Transactional(readOnly = true)
    public LogPage page(LogFilter filter) {
        List<LogLine> lines = read(filter, filter.size() + 1);
        return new LogPage(lines.subList(0, Math.min(filter.size(), lines.size())), lines.size() > filter.size());
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<LogLine> lines(LogFilter filter) {
        return read(filter, filter.size());
    }

    private List<LogLine> read(LogFilter filter, int most) {
        return new Where()
                .and("m.code =", Typed.orNull(filter.machine()))
                .and("e.kind =", filter.kind())
                .and("e.happenedAt >=", filter.from())
                .and("e.happenedAt <", filter.to())
                .and("e.subjectKind =", filter.subjectKind())
                .and("e.subjectId =", filter.subjectId())
                .words(TEXT, filter.text())
                .list(
                        entities,
                        LINES,
                        "e.happenedAt desc, e.id desc",
                        LogLine.class,
                        (long) filter.page() * filter.size(),
                        most);
    }

    private static final String TEXT =
            "lower(e.headline || ' ' || coalesce(e.note, '') || ' ' || coalesce(e.reason, '') || ' ' || p.name || ' '"
                    + " || coalesce(m.name, ''))";

    private String json(Object content) {
        try {
            return json.writeValueAsString(content);
        } catch (JsonProcessingException e) {
            throw new Conflict("This entry cannot be written as JSON: " + e.getOriginalMessage());
        }
    }

    private static String shorten(String text, int longest) {
        return text.length() <= longest ? text : text.substring(0, longest - 1) + "…";
    }
}
