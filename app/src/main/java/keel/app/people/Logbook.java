package keel.app.people;

import static keel.app.base.Rows.instant;
import static keel.app.base.Rows.time;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.persistence.EntityManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.app.base.Conflict;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The shop's memory: every entry with who, when it happened, when it was written; found again by text. */
@Service
@Transactional
public class Logbook {

    private static final String LINES =
            """
            select e.id, e.kind, m.code, m.name, e.subject_kind, e.subject_id, e.happened_at, e.written_at, p.name
            as person, e.via,
              e.headline, e.note, e.content, e.supersedes_id, e.reason,
              exists (select 1 from log_entry later where later.supersedes_id = e.id) as superseded
            from log_entry e join person p on p.id = e.person_id left join machine m on m.id = e.machine_id
            """;

    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final ObjectMapper json;
    private final Clock clock;

    Logbook(EntityManager entities, JdbcClient jdbc, ObjectMapper json, Clock clock) {
        this.entities = entities;
        this.jdbc = jdbc;
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
        return jdbc.sql("select max(id) from log_entry where subject_kind = :kind and subject_id = :id and kind in "
                        + "(:kinds)")
                .param("kind", subjectKind)
                .param("id", subjectId)
                .param("kinds", List.of(kinds).stream().map(Enum::name).toList())
                .query(Long.class)
                .optional()
                .orElse(null);
    }

    @Transactional(readOnly = true)
    public List<LogLine> lines(LogFilter filter) {
        List<String> where = new ArrayList<>();
        if (present(filter.machine())) {
            where.add("e.machine_id = (select id from machine where code = :machine)");
        }
        if (filter.kind() != null) {
            where.add("e.kind = :kind");
        }
        if (filter.from() != null) {
            where.add("e.happened_at >= :from");
        }
        if (filter.to() != null) {
            where.add("e.happened_at < :to");
        }
        if (filter.subjectKind() != null) {
            where.add("e.subject_kind = :subjectKind and e.subject_id = :subjectId");
        }
        List<String> words = present(filter.text())
                ? List.of(filter.text().toLowerCase(Locale.ROOT).strip().split("\\s+"))
                : List.of();
        for (int i = 0; i < words.size(); i++) {
            where.add("lower(e.headline || ' ' || coalesce(e.note, '') || ' ' || coalesce(e.reason, '') || ' ' || "
                    + "p.name || ' ' "
                    + "|| coalesce(m.name, '')) like :word" + i + " escape '!'");
        }
        JdbcClient.StatementSpec query = jdbc.sql(
                        LINES + (where.isEmpty() ? "" : " where " + String.join(" and ", where))
                                + " order by e.happened_at desc, e.id desc offset :skip rows fetch next :size rows "
                                + "only")
                .param("machine", filter.machine())
                .param("kind", filter.kind() == null ? null : filter.kind().name())
                .param("from", time(filter.from()))
                .param("to", time(filter.to()))
                .param("subjectKind", filter.subjectKind())
                .param("subjectId", filter.subjectId())
                .param("skip", (long) filter.page() * filter.size())
                .param("size", filter.size());
        for (int i = 0; i < words.size(); i++) {
            query = query.param("word" + i, "%" + words.get(i).replaceAll("([%_!])", "!$1") + "%");
        }
        return query.query(Logbook::line).list();
    }

    private static LogLine line(ResultSet row, int number) throws SQLException {
        return new LogLine(
                row.getLong("id"),
                LogKind.valueOf(row.getString("kind")),
                row.getString("code"),
                row.getString("name"),
                row.getString("subject_kind"),
                row.getLong("subject_id"),
                instant(row, "happened_at"),
                instant(row, "written_at"),
                row.getString("person"),
                row.getString("via"),
                row.getString("headline"),
                row.getString("note"),
                row.getString("content"),
                row.getObject("supersedes_id", Long.class),
                row.getString("reason"),
                row.getBoolean("superseded"));
    }

    private static boolean present(String text) {
        return text != null && !text.isBlank();
    }

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
