package keel.app.floor.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TimeZone;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.fleet.ShopTime;
import keel.app.floor.begin.LastPrints;
import keel.app.floor.begin.MachinesBegin;
import keel.app.floor.begin.ShopBegins;
import keel.app.people.Actor;
import keel.app.people.NewHands;
import keel.app.people.OwnPassword;
import keel.app.people.People;
import keel.app.people.Role;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.core.begin.Names;
import keel.core.run.Outcome;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * The first hour: the shop, its machines, what is known of them, stores, people, a page each. Any can be left out, left
 * and come back to; what is there already stays.
 */
@Controller
@RequestMapping("/begin")
class BeginController {

    private static final int ROWS_OF_PEOPLE = 4;

    private final ShopBegins begins;
    private final MachinesBegin machines;
    private final LastPrints prints;
    private final ShopSettings settings;
    private final Fleet fleet;
    private final Resins resins;
    private final Stock stock;
    private final Standings standings;
    private final ShopTime times;
    private final People people;
    private final NewHands hands;
    private final OwnPassword own;

    BeginController(
            ShopBegins begins,
            MachinesBegin machines,
            LastPrints prints,
            ShopSettings settings,
            Fleet fleet,
            Resins resins,
            Stock stock,
            Standings standings,
            ShopTime times,
            People people,
            NewHands hands,
            OwnPassword own) {
        this.begins = begins;
        this.machines = machines;
        this.prints = prints;
        this.settings = settings;
        this.fleet = fleet;
        this.resins = resins;
        this.stock = stock;
        this.standings = standings;
        this.times = times;
        this.people = people;
        this.hands = hands;
        this.own = own;
    }

    /** What is asked on a page, and whether something of it is there. */
    record Step(String path, String name, boolean there) {}

    private String page(String template, Model model) {
        model.addAttribute(
                "steps",
                List.of(
                        new Step("/begin", "The shop", !rooms().isEmpty()),
                        new Step(
                                "/begin/machines",
                                "Machines",
                                fleet.machines().stream().anyMatch(m -> !m.retired())),
                        new Step(
                                "/begin/prints",
                                "Last prints",
                                standings.all().stream()
                                        .anyMatch(m -> m.sinceRecords().prints() > 0)),
                        new Step("/begin/stores", "Stores", !stock.all(false).isEmpty()),
                        new Step("/begin/people", "People", people.all().size() > 1)));
        return "floor/" + template;
    }

    private List<Fleet.RoomView> rooms() {
        return fleet.rooms().stream().filter(r -> !r.retired()).toList();
    }

    record ShopForm(String name, String zone, String rooms, String resins) {}

    @GetMapping
    String shop(Model model) {
        return shop(new ShopForm(settings.name(), settings.zone().getId(), "", ""), model);
    }

    private String shop(ShopForm form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("rooms", rooms());
        model.addAttribute("resins", resins.all(false));
        model.addAttribute("zones", TimeZone.getAvailableIDs());
        return page("begin", model);
    }

    @PostMapping
    String shop(ShopForm form, Model model, HttpServletResponse response) {
        return PageErrors.tried(
                () -> begins.shop(form.name(), form.zone(), form.rooms(), form.resins()),
                "/begin/machines",
                model,
                response,
                () -> shop(form, model));
    }

    @GetMapping("/machines")
    String machines(Model model) {
        model.addAttribute("rooms", rooms());
        model.addAttribute("drawings", PresetDrawing.of(begins.beginning()));
        model.addAttribute(
                "there", fleet.machines().stream().filter(m -> !m.retired()).toList());
        return page("begin-machines", model);
    }

    record Named(String small, String middle, String large, String projector, String tank) {

        Map<String, String> byPreset() {
            return Map.of(
                    "small",
                    or(small),
                    "middle",
                    or(middle),
                    "large",
                    or(large),
                    "projector",
                    or(projector),
                    "tank",
                    or(tank));
        }

        private static String or(String names) {
            return names == null ? "" : names;
        }
    }

    /** The table of those that were named; a plain address, so that it can be left and reloaded. */
    @GetMapping("/known")
    String known(Named named, Model model) {
        BeginMachinesForm form = BeginMachinesForm.named(begins.beginning(), named.byPreset());
        return form.count() == 0 || rooms().isEmpty() ? "redirect:/begin/machines" : known(form, model);
    }

    private String known(BeginMachinesForm form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("rooms", rooms());
        model.addAttribute("resins", resins.all(false));
        model.addAttribute("presets", begins.beginning().models());
        List<String> names = new ArrayList<>(
                fleet.machines().stream().map(Fleet.MachineView::name).toList());
        for (int row = 1; row <= form.count(); row++) {
            names.add(form.cell("names", row));
        }
        model.addAttribute("alike", Names.alike(names.stream().distinct().toList()));
        return page("begin-known", model);
    }

    @PostMapping("/machines")
    String machines(BeginMachinesForm form, Model model, HttpServletResponse response) {
        String only = rooms().isEmpty() ? "" : rooms().get(0).code();
        return PageErrors.tried(
                () -> machines.machines(form.read(only)), "/begin/prints", model, response, () -> known(form, model));
    }

    @GetMapping("/prints")
    String prints(Model model) {
        return prints(BeginPrintsForm.EMPTY, model);
    }

    private String prints(BeginPrintsForm form, Model model) {
        List<MachineNow> rows = form.rows(standings.all());
        if (rows.isEmpty()) {
            return "redirect:/begin/stores";
        }
        model.addAttribute("form", form);
        model.addAttribute("rows", rows);
        model.addAttribute("outcomes", Outcome.values());
        return page("begin-prints", model);
    }

    @PostMapping("/prints")
    String prints(BeginPrintsForm form, Model model, HttpServletResponse response) {
        return PageErrors.tried(
                () -> prints.prints(form.read(times), form.plateClear()),
                "/begin/stores",
                model,
                response,
                () -> prints(form, model));
    }

    @GetMapping("/stores")
    String stores(Model model) {
        return stores(new BeginStoresForm(null, null), model);
    }

    private String stores(BeginStoresForm form, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("items", begins.beginning().stock());
        model.addAttribute(
                "there",
                stock.all(true).stream()
                        .map(i -> i.name().toLowerCase(Locale.ROOT))
                        .toList());
        return page("begin-stores", model);
    }

    @PostMapping("/stores")
    String stores(BeginStoresForm form, Model model, HttpServletResponse response) {
        return PageErrors.tried(
                () -> begins.stores(form.read()), "/begin/people", model, response, () -> stores(form, model));
    }

    @GetMapping("/people")
    String people(Model model, HttpServletRequest request) {
        return people(BeginPeopleForm.EMPTY, model, request);
    }

    private String people(BeginPeopleForm form, Model model, HttpServletRequest request) {
        Actor.require(Role.OWNER);
        model.addAttribute("form", form);
        model.addAttribute("rows", ROWS_OF_PEOPLE);
        model.addAttribute("roles", Role.values());
        model.addAttribute("there", people.all());
        model.addAttribute("askOwn", own.asked(request));
        return page("begin-people", model);
    }

    /** Their first passwords are shown once, on the page that answers. */
    @PostMapping("/people")
    String people(
            BeginPeopleForm form,
            @RequestParam(name = "own", required = false) String said,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        List<NewHands.Hand> named = form.read();
        if (named.isEmpty()) {
            return "redirect:/fleet";
        }
        try {
            own.ask(said, request);
            model.addAttribute("made", hands.add(named));
            return people(BeginPeopleForm.EMPTY, model, request);
        } catch (Refused e) {
            PageErrors.show(e, model, response);
            return people(form, model, request);
        }
    }
}
