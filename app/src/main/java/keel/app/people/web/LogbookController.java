package keel.app.people.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import keel.app.base.ShopZone;
import keel.app.people.LogFilter;
import keel.app.people.LogKind;
import keel.app.people.LogLine;
import keel.app.people.Logbook;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The logbook to read and to search, and as a table to take away. */
@Controller
class LogbookController {

    private static final int ON_A_PAGE = 60;
    private static final int MOST_EXPORTED = 100_000;

    private final Logbook logbook;
    private final ShopZone shop;

    LogbookController(Logbook logbook, ShopZone shop) {
        this.logbook = logbook;
        this.shop = shop;
    }

    record Search(String machine, String text, String kind, String from, String to) {}

    @GetMapping("/logbook")
    String page(Search search, @RequestParam(defaultValue = "0") int page, Model model) {
        Logbook.LogPage found = logbook.page(filter(search, Math.max(0, page), ON_A_PAGE));
        model.addAttribute("lines", found.lines());
        model.addAttribute("more", found.more());
        model.addAttribute("page", page);
        model.addAttribute("search", search);
        model.addAttribute("kinds", LogKind.values());
        model.addAttribute("machines", logbook.machines());
        return "people/logbook";
    }

    /**
     * UTF-8 with a byte order mark, so that spreadsheets read it; cells that a spreadsheet would compute are quoted
     * with an apostrophe.
     */
    @GetMapping("/logbook.csv")
    void csv(Search search, HttpServletResponse response) throws IOException {
        response.setContentType("text/csv;charset=UTF-8");
        response.setHeader("Content-Disposition", "attachment; filename=\"logbook.csv\"");
        try (Writer out = new OutputStreamWriter(response.getOutputStream(), StandardCharsets.UTF_8)) {
            out.write('\ufeff');
            CSVPrinter csv = new CSVPrinter(
                    out,
                    CSVFormat.RFC4180
                            .builder()
                            .setHeader(
                                    "happened_at",
                                    "written_at",
                                    "machine",
                                    "kind",
                                    "headline",
                                    "note",
                                    "person",
                                    "via",
                                    "reason",
                                    "superseded")
                            .get());
            for (LogLine l : logbook.lines(filter(search, 0, MOST_EXPORTED))) {
                csv.printRecord(
                        l.happenedAt(),
                        l.writtenAt(),
                        safe(l.machineName()),
                        l.kind().words(),
                        safe(l.headline()),
                        safe(l.note()),
                        safe(l.person()),
                        safe(l.via()),
                        safe(l.reason()),
                        l.superseded());
            }
        }
    }

    private LogFilter filter(Search search, int page, int size) {
        LogKind kind = Arrays.stream(LogKind.values())
                .filter(k -> k.name().equals(search.kind()))
                .findFirst()
                .orElse(null);
        return new LogFilter(
                search.machine(),
                search.text(),
                kind,
                day(search.from(), shop.zone(), 0),
                day(search.to(), shop.zone(), 1),
                null,
                null,
                page,
                size);
    }

    private static Instant day(String text, ZoneId zone, int later) {
        try {
            return text == null || text.isBlank()
                    ? null
                    : LocalDate.parse(text).plusDays(later).atStartOfDay(zone).toInstant();
        } catch (DateTimeParseException e) {
            return null;
        }
    }

    private static String safe(String cell) {
        return cell != null && !cell.isEmpty() && "=+-@\t\r".indexOf(cell.charAt(0)) >= 0 ? "'" + cell : cell;
    }
}
