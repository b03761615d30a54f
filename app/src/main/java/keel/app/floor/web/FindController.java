package keel.app.floor.web;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.floor.find.Finder;
import keel.core.find.Findable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** What somebody looks for, as a page and for programs. */
@Controller
class FindController {

    private final Finder finder;

    FindController(Finder finder) {
        this.finder = finder;
    }

    /** Something that was found. */
    record Found(String kind, String name, String url) {}

    @GetMapping("/find")
    String page(@RequestParam(defaultValue = "") String q, Model model) {
        Map<String, List<Findable>> byKind = finder.find(q).stream()
                .collect(Collectors.groupingBy(Findable::kind, LinkedHashMap::new, Collectors.toList()));
        model.addAttribute("q", q);
        model.addAttribute("found", byKind);
        return "floor/find";
    }

    @GetMapping("/api/v1/find")
    @ResponseBody
    List<Found> find(@RequestParam(defaultValue = "") String q) {
        return finder.find(q).stream()
                .map(f -> new Found(f.kind(), f.name(), f.url()))
                .toList();
    }
}
