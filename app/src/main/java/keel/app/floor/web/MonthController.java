package keel.app.floor.web;

import java.time.DateTimeException;
import java.time.YearMonth;
import keel.app.base.NotThere;
import keel.app.floor.month.MonthPaper;
import keel.app.floor.month.MonthReport;
import keel.app.floor.month.MonthReports;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The month for the owner: as a page, and as a paper. */
@Controller
class MonthController {

    private final MonthReports reports;
    private final MonthPaper paper;

    MonthController(MonthReports reports, MonthPaper paper) {
        this.reports = reports;
        this.paper = paper;
    }

    @GetMapping("/month")
    String current() {
        return "redirect:/month/" + reports.current();
    }

    @GetMapping("/month/{month}")
    String page(@PathVariable String month, Model model) {
        YearMonth of = read(month);
        MonthReport report = reports.of(of);
        model.addAttribute("r", report);
        model.addAttribute("drawing", MonthDays.of(report));
        model.addAttribute("before", of.minusMonths(1));
        model.addAttribute("after", of.isBefore(reports.current()) ? of.plusMonths(1) : null);
        return "floor/month";
    }

    @GetMapping(value = "/month/{month}.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pdf(@PathVariable String month) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("month-" + month + ".pdf")
                                .build()
                                .toString())
                .body(paper.pdf(reports.of(read(month))));
    }

    private YearMonth read(String month) {
        try {
            YearMonth read = YearMonth.parse(month);
            if (!read.isAfter(reports.current())) {
                return read;
            }
        } catch (DateTimeException e) {
            // said below
        }
        throw new NotThere("There is no month " + month + " yet.");
    }
}
