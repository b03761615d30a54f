package keel.app.people;

import java.time.Instant;

/**
 * An entry that is about to be written.
 *
 * @param machineId machine it is about, or null
 * @param subjectKind RUN, FAILURE, SERVICE, POUR, STOCK, CHECK, PHOTO, PART, SHOP
 * @param headline the entry in one sentence
 * @param content the record as it stands after the entry; becomes JSON
 */
public record LogDraft(
        LogKind kind,
        Long machineId,
        String subjectKind,
        long subjectId,
        Instant happenedAt,
        String headline,
        String note,
        Object content,
        Actor by,
        Long supersedes,
        String reason) {

    public static LogDraft of(
            LogKind kind,
            Long machineId,
            String subjectKind,
            long subjectId,
            Instant happenedAt,
            String headline,
            Object content,
            Actor by) {
        return new LogDraft(
                kind, machineId, subjectKind, subjectId, happenedAt, headline, null, content, by, null, null);
    }

    public LogDraft noting(String text) {
        String kept = text == null || text.isBlank() ? null : text.strip();
        return new LogDraft(
                kind, machineId, subjectKind, subjectId, happenedAt, headline, kept, content, by, supersedes, reason);
    }

    public LogDraft superseding(Long entry, String because) {
        return new LogDraft(
                kind, machineId, subjectKind, subjectId, happenedAt, headline, note, content, by, entry, because);
    }
}
