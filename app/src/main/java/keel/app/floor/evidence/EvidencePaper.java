package keel.app.floor.evidence;

import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.base.Figures;
import keel.app.floor.paper.Paper;
import keel.app.floor.paper.PaperDates;
import keel.core.pattern.Pattern.Counts;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.Context;
import org.thymeleaf.spring6.SpringTemplateEngine;

/** Evidence as a paper of A4, PDF. */
@Component
public class EvidencePaper {

    private static final int ENTRIES = 60;
    private static final int PICTURES = 6;

    private final Evidences evidences;
    private final SpringTemplateEngine templates;
    private final Figures figures;
    private final PaperDates dates;

    EvidencePaper(Evidences evidences, SpringTemplateEngine templates, Figures figures, PaperDates dates) {
        this.evidences = evidences;
        this.templates = templates;
        this.figures = figures;
        this.dates = dates;
    }

    /** A share that failed with its 95 % interval, in hundredths of the widest. */
    record Bar(String name, String words, double low, double wide, double dot) {}

    public byte[] pdf(Evidence evidence) {
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("e", evidence);
        context.setVariable("fig", figures);
        context.setVariable("dates", dates);
        context.setVariable("bars", bars(evidence));
        context.setVariable("several", evidence.kind() != EvidenceKind.MACHINE);
        context.setVariable(
                "entries", evidence.entries().stream().limit(ENTRIES).toList());
        Map<Evidence.Picture, String> pictures = new LinkedHashMap<>();
        evidence.pictures().stream()
                .limit(PICTURES)
                .forEach(p -> pictures.put(
                        p, "data:image/jpeg;base64," + Base64.getEncoder().encodeToString(evidences.bytes(p, true))));
        context.setVariable("pictures", pictures);
        return Paper.pdf(templates.process("floor/evidence-paper", context));
    }

    private static List<Bar> bars(Evidence e) {
        Counts own = e.compared().first();
        Counts others = e.compared().second();
        if (own.prints() == 0 || others.prints() == 0) {
            return List.of();
        }
        double widest = Math.max(high(own), high(others));
        return List.of(bar(e.name(), own, widest), bar(e.others(), others, widest));
    }

    private static Bar bar(String name, Counts c, double widest) {
        double low = 1 - c.cameOut().high();
        String words = String.format(
                Locale.ROOT, "%d of %d, %.0f to %.0f %%", c.failed(), c.prints(), 100 * low, 100 * high(c));
        return new Bar(name, words, 100 * low / widest, 100 * (high(c) - low) / widest, 100 * c.rate() / widest);
    }

    private static double high(Counts c) {
        return 1 - c.cameOut().low();
    }
}
