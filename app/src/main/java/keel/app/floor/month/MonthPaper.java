package keel.app.floor.month;

import java.util.Locale;
import keel.app.base.Figures;
import keel.app.floor.paper.Paper;
import keel.app.floor.paper.PaperDates;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/** A month as a paper of A4, PDF. */
@Component
public class MonthPaper {

    private final SpringTemplateEngine templates;
    private final Figures figures;
    private final PaperDates dates;

    MonthPaper(SpringTemplateEngine templates, Figures figures, PaperDates dates) {
        this.templates = templates;
        this.figures = figures;
        this.dates = dates;
    }

    public byte[] pdf(MonthReport month) {
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("r", month);
        context.setVariable("fig", figures);
        context.setVariable("dates", dates);
        return Paper.pdf(templates.process("floor/month-paper", context));
    }
}
