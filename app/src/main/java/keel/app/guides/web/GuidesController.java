package keel.app.guides.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalLong;
import keel.app.air.AirParts;
import keel.app.base.Conflict;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.bench.ServiceView;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.guides.Guidebook;
import keel.app.guides.Guides;
import keel.app.guides.MovedOn;
import keel.app.stores.Bookings;
import keel.core.Findings;
import keel.core.guide.Procedure;
import keel.core.standing.MachineTraits;
import keel.core.standing.ServiceKind;
import keel.core.stock.Consumable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Pages of the bench guides: the kit, one page a step, the summary. */
@Controller
class GuidesController {

    private static final Map<ServiceKind, String> OWN_PAGES =
            Map.of(ServiceKind.STANCE_CHECKED, "/stance", ServiceKind.PLATE_CLEARED, "/after");

    private final Guides guides;
    private final Guidebook guidebook;
    private final GuideModel shown;
    private final Fleet fleet;
    private final AirParts airParts;
    private final Bookings bookings;

    GuidesController(
            Guides guides, Guidebook guidebook, GuideModel shown, Fleet fleet, AirParts airParts, Bookings bookings) {
        this.bookings = bookings;
        this.guides = guides;
        this.guidebook = guidebook;
        this.shown = shown;
        this.fleet = fleet;
        this.airParts = airParts;
    }

    /** A machine, or a part in the path of the air, with what can be done to it step by step. */
    record ForSubject(String name, List<Way> ways) {}

    /** A procedure with the page where it begins. */
    record Way(String name, String path) {}

    /** What a guide is for, and where: its page, where it begins, and where what was done is just written down. */
    record KitOf(String name, String home, String begin, String written) {}

    @GetMapping("/guides")
    String all(Model model) {
        model.addAttribute("open", guides.open());
        List<MachineRef> machines = fleet.refs();
        model.addAttribute("machines", machines);
        model.addAttribute("jobs", jobs(machines));
        model.addAttribute(
                "air",
                airParts.all().stream()
                        .map(p -> new ForSubject(
                                p.name() + (p.roomName() == null ? "" : ", " + p.roomName()),
                                List.of(new Way(guidebook.forPart(p).name(), "/air/parts/" + p.id() + "/guide"))))
                        .toList());
        return "guides/list";
    }

    /** What is done step by step, and where each machine's begins; null where it is not for that machine. */
    record Job(String name, int minutes, List<String> paths) {}

    private List<Job> jobs(List<MachineRef> machines) {
        return guidebook.all().stream()
                .map(p -> new Job(
                        p.name(),
                        p.minutes(),
                        machines.stream()
                                .map(m -> guidebook.forMachine(m).contains(p)
                                        ? "/machines/" + m.code() + "/guides/" + p.code()
                                        : null)
                                .toList()))
                .filter(j -> j.paths().stream().anyMatch(Objects::nonNull))
                .toList();
    }

    /** All of them to read through or to print, of no machine in particular: a device keeps this page. */
    @GetMapping("/guides/read")
    String read(Model model) {
        model.addAttribute("procedures", guidebook.all());
        return "guides/read";
    }

    /** The page of its own or the guide that ends with a service, or the service's form where there is neither. */
    @GetMapping("/machines/{machine}/do/{kind}")
    String way(@PathVariable String machine, @PathVariable ServiceKind kind) {
        if (OWN_PAGES.containsKey(kind)) {
            return "redirect:/machines/" + fleet.machine(machine).code() + OWN_PAGES.get(kind);
        }
        return "redirect:/machines/" + machine
                + guidebook
                        .leadingTo(kind, fleet.machine(machine))
                        .map(p -> "/guides/" + p.code())
                        .orElse("/services/" + kind.name());
    }

    @GetMapping("/machines/{machine}/guides/{procedure}")
    String kit(@PathVariable String machine, @PathVariable String procedure, Model model) {
        MachineRef ref = fleet.machine(machine);
        Procedure p = guidebook.procedure(procedure, ref);
        String home = "/machines/" + ref.code();
        return kit(
                p,
                new KitOf(
                        ref.name(),
                        home,
                        home + "/guides/" + p.code(),
                        home + p.service().map(k -> "/services/" + k.name()).orElse("/pour")),
                guides.openOn(ref, p.code()),
                ref.traits(),
                model);
    }

    private String kit(Procedure procedure, KitOf of, OptionalLong open, MachineTraits machine, Model model) {
        model.addAttribute("p", procedure);
        model.addAttribute("follows", procedure.mustFollow(machine));
        model.addAttribute("of", of);
        model.addAttribute("usual", guidebook.usually(procedure.code()).orElse(null));
        model.addAttribute("going", open.isPresent() ? guides.one(open.getAsLong()) : null);
        return "guides/kit";
    }

    @GetMapping("/air/parts/{id}/guide")
    String airKit(@PathVariable long id, Model model) {
        AirParts.AirPart part = airParts.one(id);
        Procedure p = guidebook.forPart(part);
        return kit(
                p,
                new KitOf(part.name(), "/air", "/air/parts/" + id + "/guide", "/air"),
                guides.openFor(part),
                null,
                model);
    }

    @PostMapping("/air/parts/{id}/guide")
    String airBegin(@PathVariable long id) {
        return "redirect:/guides/" + guides.beginFor(id);
    }

    @PostMapping("/machines/{machine}/guides/{procedure}")
    String begin(
            @PathVariable String machine, @PathVariable String procedure, Model model, HttpServletResponse response) {
        try {
            return "redirect:/guides/" + guides.begin(machine, procedure);
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return kit(machine, procedure, model);
        }
    }

    @GetMapping("/guides/{id}")
    String step(@PathVariable long id, Model model) {
        return page(id, Map.of(), model);
    }

    @PostMapping("/guides/{id}/done")
    String done(
            @PathVariable long id,
            @RequestParam int version,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        return tried(id, () -> guides.done(id, version, new LinkedHashMap<>(typed)), typed, model, response);
    }

    @PostMapping("/guides/{id}/back")
    String back(@PathVariable long id, @RequestParam int version, Model model, HttpServletResponse response) {
        return tried(id, () -> guides.back(id, version), Map.of(), model, response);
    }

    @PostMapping("/guides/{id}/pause")
    String pause(@PathVariable long id, @RequestParam int version, Model model, HttpServletResponse response) {
        return tried(id, () -> guides.pause(id, version), Map.of(), model, response);
    }

    @PostMapping("/guides/{id}/go-on")
    String goOn(@PathVariable long id, @RequestParam int version, Model model, HttpServletResponse response) {
        return tried(id, () -> guides.goOn(id, version), Map.of(), model, response);
    }

    /** The vat that is on now is the one that is worked on. */
    @PostMapping("/guides/{id}/this-vat")
    String thisVat(@PathVariable long id, @RequestParam int version, Model model, HttpServletResponse response) {
        return tried(id, () -> guides.withThisVat(id, version), Map.of(), model, response);
    }

    @PostMapping("/guides/{id}/detour")
    String detour(@PathVariable long id, @RequestParam int version, Model model, HttpServletResponse response) {
        return tried(id, () -> guides.detour(id, version), Map.of(), model, response);
    }

    /** One bolt on, back, or the rest of the pass. */
    @PostMapping("/guides/{id}/turn")
    String turn(
            @PathVariable long id,
            @RequestParam int version,
            @RequestParam(defaultValue = "1") int bolts,
            Model model,
            HttpServletResponse response) {
        return tried(id, () -> guides.turn(id, version, bolts), Map.of(), model, response);
    }

    @PostMapping("/guides/{id}/note")
    String note(@PathVariable long id, @RequestParam String note, Model model, HttpServletResponse response) {
        return tried(id, () -> guides.note(id, note), Map.of("note", note), model, response);
    }

    @PostMapping("/guides/{id}/give-up")
    String giveUp(@PathVariable long id, @RequestParam int version, Model model, HttpServletResponse response) {
        try {
            guides.giveUp(id, version);
            return "redirect:" + guides.one(id).home();
        } catch (MovedOn | Conflict e) {
            return behind(id, e, model, response);
        }
    }

    @PostMapping("/guides/{id}/finish")
    String finish(
            @PathVariable long id,
            @RequestParam int version,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        try {
            Findings findings = new Findings();
            Map<String, Double> used = used(typed, findings);
            Map<Consumable, String> booked = booked(typed, findings);
            Refused.unless(findings);
            List<ServiceView> written = guides.finish(id, version, used, typed.get("note"));
            booked.forEach(bookings::choose);
            return "redirect:/guides/" + id + "?written=" + written.size();
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return page(id, typed, model);
        } catch (MovedOn e) {
            return behind(id, e, model, response);
        }
    }

    private String page(long id, Map<String, String> typed, Model model) {
        model.addAttribute("meanwhile", guides.standsInTheWay(id).orElse(null));
        return shown.page(guides.one(id), typed, model);
    }

    private String tried(
            long id, Runnable action, Map<String, String> typed, Model model, HttpServletResponse response) {
        try {
            action.run();
            return "redirect:/guides/" + id;
        } catch (Refused e) {
            PageErrors.show(e, model, response);
            return page(id, typed, model);
        } catch (Conflict | MovedOn e) {
            return behind(id, e, model, response);
        }
    }

    /** Shows where the session stands now, with a sentence why nothing was done. */
    private String behind(long id, RuntimeException e, Model model, HttpServletResponse response) {
        response.setStatus(HttpStatus.CONFLICT.value());
        model.addAttribute("movedOn", e.getMessage());
        return page(id, Map.of(), model);
    }

    private static Map<String, Double> used(Map<String, String> typed, Findings findings) {
        Map<String, Double> used = new LinkedHashMap<>();
        for (int i = 0; typed.containsKey("item" + i); i++) {
            Double quantity = Typed.number(typed.get("quantity" + i), "quantity" + i, findings);
            String item = typed.get("item" + i);
            if (quantity != null && !item.isBlank() && !Bookings.NOT_COUNTED.equals(item)) {
                used.merge(item, quantity, Double::sum);
            }
        }
        return used;
    }

    /** From which item each kind is booked; what nobody chose is left out. */
    private static Map<Consumable, String> booked(Map<String, String> typed, Findings findings) {
        Map<Consumable, String> booked = new LinkedHashMap<>();
        for (int i = 0; typed.containsKey("kind" + i); i++) {
            String item = typed.getOrDefault("item" + i, "");
            try {
                Consumable kind = Consumable.valueOf(typed.get("kind" + i));
                if (!item.isBlank()) {
                    booked.put(kind, item);
                }
            } catch (IllegalArgumentException e) {
                findings.add("kind" + i, "Nothing that is used up is called " + typed.get("kind" + i) + ".");
            }
        }
        return booked;
    }
}
