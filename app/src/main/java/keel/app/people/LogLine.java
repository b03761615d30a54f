package keel.app.people;

import java.time.Instant;

/**
 * An entry as it is read.
 *
 * @param superseded whether a later entry supersedes it
 * @param content the record as it stood after the entry, JSON
 */
public record LogLine(
        long id,
        LogKind kind,
        String machine,
        String machineName,
        String subjectKind,
        long subjectId,
        Instant happenedAt,
        Instant writtenAt,
        String person,
        String via,
        String headline,
        String note,
        String content,
        Long supersedes,
        String reason,
        boolean superseded) {}
