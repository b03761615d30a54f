package keel.app.floor.web;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.floor.bring.Bringing;
import keel.core.bring.BringKind;
import keel.core.knowledge.Knowledge;
import keel.core.run.Outcome;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Pages on which a table is brought in: chosen, looked at with what each column is, written, taken back. */
@Controller
class BringController {

    private static final Duration KEPT = Duration.ofHours(1);
    private static final int MOST_KEPT = 10;

    private final Bringing bringing;
    private final Knowledge knowledge;
    /** Files that somebody looks at, until they are written or forgotten. */
    private final Cache<String, Held> held =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).expireAfterWrite(KEPT).build();

    BringController(Bringing bringing, Knowledge knowledge) {
        this.bringing = bringing;
        this.knowledge = knowledge;
    }

    private record Held(String name, byte[] bytes, BringKind kind) {}

    @GetMapping("/setup/bring")
    String choose(Model model) {
        model.addAttribute("kinds", BringKind.values());
        model.addAttribute("latest", bringing.latest());
        return "floor/bring";
    }

    @PostMapping("/setup/bring")
    String file(
            @RequestParam(required = false) MultipartFile file,
            @RequestParam(defaultValue = "RUNS") BringKind kind,
            Model model,
            HttpServletResponse response)
            throws IOException {
        try {
            if (file == null || file.isEmpty()) {
                throw new Refused("file", "No file was chosen, or it is empty.");
            }
            String key = UUID.randomUUID().toString();
            held.put(key, new Held(file.getOriginalFilename(), file.getBytes(), kind));
            return look(key, new MapForm(null, null, null, null), false, model, response);
        } catch (Refused e) {
            PageErrors.show(e, model, response);
            model.addAttribute("kind", kind);
            return choose(model);
        }
    }

    /** What columns and words are said to be: headings beside fields, words beside codes. */
    record MapForm(List<String> headings, List<String> fields, List<String> word, List<String> code) {

        Map<String, String> map() {
            return beside(headings, fields);
        }

        Map<String, String> words() {
            Map<String, String> words = beside(word, code);
            words.values().removeIf(String::isBlank);
            return words;
        }

        private static Map<String, String> beside(List<String> names, List<String> said) {
            Map<String, String> beside = new HashMap<>();
            for (int i = 0; names != null && said != null && i < Math.min(names.size(), said.size()); i++) {
                beside.put(names.get(i), said.get(i) == null ? "" : said.get(i));
            }
            return beside;
        }
    }

    /** Looks at the same file anew, as its columns and words are said to be now, or writes it. */
    @PostMapping("/setup/bring/{key}")
    String again(
            @PathVariable String key,
            MapForm form,
            @RequestParam(defaultValue = "false") boolean write,
            Model model,
            HttpServletResponse response) {
        return look(key, form, write, model, response);
    }

    private String look(String key, MapForm form, boolean write, Model model, HttpServletResponse response) {
        try {
            Held file = held.getIfPresent(key);
            if (file == null) {
                throw new Refused("file", "This file is not there any more: choose it again.");
            }
            Bringing.Asked asked = new Bringing.Asked(file.name(), file.bytes(), file.kind(), form.map(), form.words());
            Bringing.Looked looked = write ? bringing.apply(asked) : bringing.look(asked);
            if (write && looked.problems().isEmpty()) {
                held.invalidate(key);
                return "redirect:/setup/bring";
            }
            model.addAttribute("key", key);
            model.addAttribute("name", file.name());
            model.addAttribute("kind", file.kind());
            model.addAttribute("looked", looked);
            model.addAttribute("unknown", Bringing.unknown(looked));
            model.addAttribute("words", form.words());
            model.addAttribute("outcomes", Outcome.values());
            model.addAttribute("symptoms", file.kind() == BringKind.FAILURES ? knowledge.symptoms() : List.of());
            return "floor/bring-look";
        } catch (Refused e) {
            PageErrors.show(e, model, response);
            return choose(model);
        }
    }

    @PostMapping("/setup/bring/{id}/undo")
    String undo(@PathVariable long id, Model model, HttpServletResponse response) {
        return PageErrors.tried(() -> bringing.takeBack(id), "/setup/bring", model, response, () -> choose(model));
    }
}
