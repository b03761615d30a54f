package keel.app.floor.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.base.CsvFile;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.floor.patterns.Learned;
import keel.app.floor.patterns.MachineTimes;
import keel.app.floor.patterns.MachinesBeside;
import keel.app.floor.patterns.PatternFinding;
import keel.app.floor.patterns.PatternVerdicts;
import keel.app.floor.patterns.Patterns;
import keel.app.floor.patterns.Verdict;
import keel.core.pattern.Pattern.Group;
import keel.core.rate.TimeBetween;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page of what the fleet's failures say. */
@Controller
class PatternsController {

    private static final int NEWS = 2;

    private final Patterns patterns;
    private final PatternVerdicts verdicts;
    private final Learned learned;
    private final MachinesBeside beside;
    private final PatternSpans spans;

    PatternsController(
            Patterns patterns, PatternVerdicts verdicts, Learned learned, MachinesBeside beside, PatternSpans spans) {
        this.patterns = patterns;
        this.verdicts = verdicts;
        this.learned = learned;
        this.beside = beside;
        this.spans = spans;
    }

    @GetMapping("/patterns")
    String page(@RequestParam(defaultValue = PatternSpans.USUAL_DAYS) int days, Model model) {
        Instant from = spans.from(days);
        Patterns.Found found = patterns.of(from, null);
        Map<String, PatternVerdicts.Said> said = verdicts.last();
        model.addAttribute("found", found);
        model.addAttribute("said", said);
        model.addAttribute("open", some(found, said, false));
        model.addAttribute("settled", some(found, said, true));
        model.addAttribute("brought", verdicts.brought(found));
        model.addAttribute("drawings", drawings(found));
        model.addAttribute("months", found.months().isEmpty() ? null : MonthsDrawing.of(found.months()));
        model.addAttribute("machines", machines(found));
        model.addAttribute("figures", beside.figures(found));
        MachinesBeside.Spoils spoils = beside.spoils(found);
        model.addAttribute("spoils", spoils == null ? null : SpoilsDrawing.of(spoils));
        model.addAttribute("spoilsLeft", spoils == null ? 0 : spoils.left());
        model.addAttribute("learned", learned.of(found, from));
        model.addAttribute("days", spans.days(days));
        model.addAttribute("spans", spans.all());
        return "floor/patterns";
    }

    /** What stands out and nobody has said anything of, for the fleet page, which asks for it by itself. */
    @GetMapping("/patterns/strip")
    String strip(Model model) {
        Map<String, PatternVerdicts.Said> said = verdicts.last();
        model.addAttribute(
                "news",
                patterns.of(spans.from(0), null).findings().stream()
                        .filter(f -> !said.containsKey(f.key()))
                        .limit(NEWS)
                        .toList());
        return "floor/patterns-strip";
    }

    @GetMapping("/patterns/machines.csv")
    ResponseEntity<byte[]> csv(@RequestParam(defaultValue = PatternSpans.USUAL_DAYS) int days) {
        return CsvFile.of(
                "machines.csv",
                List.of("machine", "prints", "failed", "printHours", "hoursBetween", "low", "high", "nextPrintAfterH"),
                beside.figures(patterns.of(spans.from(days), null)).stream()
                        .<List<?>>map(PatternsController::row)
                        .toList());
    }

    private static List<?> row(MachinesBeside.InFigures f) {
        MachineTimes t = f.times();
        TimeBetween b = t.between();
        return Arrays.asList(
                f.name(),
                t.prints(),
                t.failed(),
                b == null ? null : tenth(b.hours()),
                b == null ? null : tenth(b.mean()),
                b == null ? null : tenth(b.low()),
                b == null ? null : tenth(b.high()),
                t.mendH() == null ? null : tenth(t.mendH()));
    }

    private static Double tenth(double value) {
        return Double.isInfinite(value) ? null : Math.round(10 * value) / 10.0;
    }

    private static List<PatternFinding> some(
            Patterns.Found found, Map<String, PatternVerdicts.Said> said, boolean settled) {
        return found.findings().stream()
                .filter(f -> (said.get(f.key()) != null && said.get(f.key()).closes()) == settled)
                .toList();
    }

    private static Map<String, SharesDrawing> drawings(Patterns.Found found) {
        Map<String, SharesDrawing> drawings = new LinkedHashMap<>();
        for (PatternFinding f : found.findings()) {
            drawings.put(
                    f.key(),
                    SharesDrawing.of(List.of(
                            new SharesDrawing.Share(f.turned() ? "since then" : "these prints", f.own(), true),
                            new SharesDrawing.Share(f.turned() ? "before" : "all others", f.rest(), false))));
        }
        return drawings;
    }

    /** The one that fails most on top. */
    private static SharesDrawing machines(Patterns.Found found) {
        Set<Group> clear = found.findings().stream().map(PatternFinding::group).collect(Collectors.toSet());
        List<SharesDrawing.Share> shares = new ArrayList<>();
        found.machines()
                .forEach((group, counts) ->
                        shares.add(new SharesDrawing.Share(found.told().name(group), counts, clear.contains(group))));
        shares.sort(Comparator.comparing(s -> -s.counts().rate()));
        return shares.size() < 2 ? null : SharesDrawing.of(shares);
    }

    /** What somebody says of a pattern. */
    record SaidForm(String key, String what, Verdict said, String reason) {}

    @PostMapping("/patterns")
    String say(
            SaidForm form,
            @RequestParam(defaultValue = PatternSpans.USUAL_DAYS) int days,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> {
                    if (form.key() == null || form.said() == null) {
                        throw new Refused("said", "Say what it is.");
                    }
                    verdicts.say(
                            form.key(), form.what() == null ? "A pattern" : form.what(), form.said(), form.reason());
                },
                "/patterns?days=" + days,
                model,
                response,
                () -> page(days, model));
    }
}
