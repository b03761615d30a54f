package keel.app.people;

import java.time.Instant;

/** Which entries are asked for; null or empty means any. Newest first, by when it happened. */
public record LogFilter(
        String machine,
        String text,
        LogKind kind,
        Instant from,
        Instant to,
        String subjectKind,
        Long subjectId,
        int page,
        int size) {

    public static LogFilter ofMachine(String code, int size) {
        return new LogFilter(code, null, null, null, null, null, null, 0, size);
    }

    public static LogFilter ofSubject(String kind, long id) {
        return new LogFilter(null, null, null, null, null, kind, id, 0, 200);
    }
}
