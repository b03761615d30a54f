package keel.app.people.web;

import com.fasterxml.jackson.annotation.JsonRawValue;
import java.time.Instant;
import java.util.List;
import keel.app.base.Paging;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/v1/logbook")
class LogbookApi {

    private final Logbook logbook;

    LogbookApi(Logbook logbook) {
        this.logbook = logbook;
    }

    record LoggedLine(
            long id,
            String kind,
            String machine,
            String subjectKind,
            long subjectId,
            Instant happenedAt,
            Instant writtenAt,
            String person,
            String via,
            String headline,
            String note,
            Long supersedes,
            String reason,
            boolean superseded,
            @JsonRawValue String content) {}

    /** Entries newest first, by when it happened; {@code from} inclusive, {@code to} exclusive. */
    @GetMapping
    List<LoggedLine> lines(
            @RequestParam(required = false) String machine,
            @RequestParam(required = false) Instant from,
            @RequestParam(required = false) Instant to,
            @RequestParam(required = false) String text,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "200") int size) {
        Paging paging = Paging.of(page, size);
        return logbook
                .lines(new LogFilter(machine, text, null, from, to, null, null, paging.page(), paging.size()))
                .stream()
                .map(l -> new LoggedLine(
                        l.id(),
                        l.kind().name(),
                        l.machine(),
                        l.subjectKind(),
                        l.subjectId(),
                        l.happenedAt(),
                        l.writtenAt(),
                        l.person(),
                        l.via(),
                        l.headline(),
                        l.note(),
                        l.supersedes(),
                        l.reason(),
                        l.superseded(),
                        l.content()))
                .toList();
    }
}
