package keel.app.fleet.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.TimeZone;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Seen;
import keel.app.base.Typed;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineEntry;
import keel.app.fleet.ShopSettings;
import keel.app.fleet.ShopTime;
import keel.core.Findings;
import keel.core.standing.MachineKind;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Pages to set up the shop: name and figures, rooms, models, machines. */
@Controller
class SetupController {

    private final Fleet fleet;
    private final ShopSettings settings;
    private final ShopTime times;

    SetupController(Fleet fleet, ShopSettings settings, ShopTime times) {
        this.fleet = fleet;
        this.settings = settings;
        this.times = times;
    }

    record MachineForm(
            String name,
            String model,
            String room,
            String levellingSchool,
            Boolean levelsAfterEachPrint,
            Boolean sievesAfterEachPrint,
            String since,
            String baselineHours,
            String filmMaterial,
            String filmThicknessMm,
            String filmHours,
            String screenUvHours,
            String lightHours,
            String condition,
            String lubricatedH,
            String abradedH,
            Boolean vatEmpty,
            Integer version) {

        static final String NEW = "NEW";

        MachineForm {
            levelsAfterEachPrint = Boolean.TRUE.equals(levelsAfterEachPrint); // a box that is not ticked is not sent
            sievesAfterEachPrint = Boolean.TRUE.equals(sievesAfterEachPrint);
        }

        static final MachineForm EMPTY = new MachineForm(
                "", "", "", "PAPER", false, false, "", "", "FEP", "0.127", "", "", "", "", "", "", false, null);

        boolean isNew() {
            return NEW.equals(condition);
        }
    }

    @GetMapping("/setup")
    String setup(Model model) {
        model.addAttribute("rooms", fleet.rooms());
        model.addAttribute("models", fleet.models());
        List<Fleet.MachineView> machines = fleet.machines();
        model.addAttribute("machines", machines);
        model.addAttribute(
                "usedRooms", machines.stream().map(Fleet.MachineView::room).toList());
        model.addAttribute(
                "usedModels", machines.stream().map(Fleet.MachineView::model).toList());
        model.addAttribute("shop", settings.name());
        model.addAttribute("seen", Seen.of(settings.stands()).sum());
        model.addAttribute("zone", settings.zone().getId());
        model.addAttribute("zones", TimeZone.getAvailableIDs());
        model.addAttribute("figures", settings.defaults().figures());
        return "fleet/setup";
    }

    @PostMapping("/setup/shop")
    String shop(
            @RequestParam String name,
            @RequestParam String zone,
            @RequestParam(required = false) String seen,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> settings.rename(name, zone, Seen.sent(seen)), "/setup", model, response, () -> setup(model));
    }

    @PostMapping("/setup/figures")
    String figures(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> settings.changeDefaults(typed), "/setup#figures", model, response, () -> setup(model));
    }

    @PostMapping("/setup/rooms")
    String addRoom(@RequestParam String name, Model model, HttpServletResponse response) {
        return PageErrors.tried(() -> fleet.addRoom(name), "/setup", model, response, () -> setup(model));
    }

    @PostMapping("/setup/rooms/{code}/retire")
    String retireRoom(@PathVariable String code, Model model, HttpServletResponse response) {
        return PageErrors.tried(() -> fleet.retireRoom(code), "/setup", model, response, () -> setup(model));
    }

    @PostMapping("/setup/rooms/{code}/delete")
    String deleteRoom(@PathVariable String code, Model model, HttpServletResponse response) {
        return PageErrors.tried(() -> fleet.deleteRoom(code), "/setup", model, response, () -> setup(model));
    }

    @PostMapping("/setup/models/{code}/delete")
    String deleteModel(@PathVariable String code, Model model, HttpServletResponse response) {
        return PageErrors.tried(() -> fleet.deleteModel(code), "/setup", model, response, () -> setup(model));
    }

    @GetMapping("/setup/models/new")
    String newModel(Model model) {
        return showModel(ModelForm.EMPTY, null, model);
    }

    @PostMapping("/setup/models")
    String addModel(ModelForm form, Model model, HttpServletResponse response) {
        return PageErrors.tried(
                () -> fleet.addModel(form.read()), "/setup", model, response, () -> showModel(form, null, model));
    }

    @GetMapping("/setup/models/{code}")
    String model(@PathVariable String code, Model model) {
        return showModel(ModelForm.of(fleet.model(code).entry()), code, model);
    }

    @PostMapping("/setup/models/{code}")
    String changeModel(
            @PathVariable String code,
            ModelForm form,
            @RequestParam(required = false) String seen,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> fleet.changeModel(code, form.read(), Seen.sent(seen)),
                "/setup",
                model,
                response,
                () -> showModel(form, code, model));
    }

    @GetMapping("/setup/machines/new")
    String newMachine(Model model) {
        return showMachine(MachineForm.EMPTY, null, model);
    }

    @PostMapping("/setup/machines")
    String addMachine(MachineForm form, Model model, HttpServletResponse response) {
        return PageErrors.tried(
                () -> fleet.addMachine(read(form)), "/fleet", model, response, () -> showMachine(form, null, model));
    }

    @GetMapping("/setup/machines/{code}")
    String machine(@PathVariable String code, Model model) {
        Fleet.MachineView m = view(code);
        return showMachine(
                new MachineForm(
                        m.name(),
                        m.model(),
                        m.room(),
                        m.levellingSchool(),
                        m.levelsAfterEachPrint(),
                        m.sievesAfterEachPrint(),
                        times.field(m.since()),
                        "",
                        "FEP",
                        "0.127",
                        "",
                        "",
                        "",
                        "",
                        "",
                        "",
                        false,
                        m.version()),
                m,
                model);
    }

    @PostMapping("/setup/machines/{code}")
    String changeMachine(@PathVariable String code, MachineForm form, Model model, HttpServletResponse response) {
        return PageErrors.tried(
                () -> fleet.changeMachine(code, read(form), form.version() == null ? -1 : form.version()),
                "/machines/" + code,
                model,
                response,
                () -> showMachine(form, view(code), model));
    }

    @PostMapping("/setup/machines/{code}/retire")
    String retire(@PathVariable String code, @RequestParam boolean retired) {
        fleet.retireMachine(code, retired);
        return "redirect:/setup";
    }

    private Fleet.MachineView view(String code) {
        fleet.machine(code);
        return fleet.machines().stream()
                .filter(m -> m.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private String showModel(ModelForm form, String code, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("code", code);
        model.addAttribute(
                "seen",
                code == null ? "" : Seen.of(fleet.model(code).entry().stands()).sum());
        model.addAttribute("kinds", MachineKind.values());
        return "fleet/model";
    }

    private String showMachine(MachineForm form, Fleet.MachineView recorded, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("recorded", recorded);
        model.addAttribute(
                "rooms", fleet.rooms().stream().filter(r -> !r.retired()).toList());
        model.addAttribute(
                "models", fleet.models().stream().filter(m -> !m.retired()).toList());
        return "fleet/machine";
    }

    private MachineEntry read(MachineForm form) {
        Findings findings = new Findings();
        Instant since = times.read(form.since(), "since", findings);
        double baseline = Typed.number(form.baselineHours(), 0, "baselineHours", findings);
        double thickness = Typed.number(form.filmThicknessMm(), 0.127, "filmThicknessMm", findings);
        Double film = before(form, form.filmHours(), "filmHours", findings);
        Double screen = before(form, form.screenUvHours(), "screenUvHours", findings);
        Double light = before(form, form.lightHours(), "lightHours", findings);
        MachineEntry.Before before = new MachineEntry.Before(
                before(form, form.lubricatedH(), "lubricatedH", findings),
                before(form, form.abradedH(), "abradedH", findings),
                form.isNew() || Boolean.TRUE.equals(form.vatEmpty()));
        Refused.unless(findings);
        return new MachineEntry(
                form.name(),
                form.model(),
                form.room(),
                form.levellingSchool(),
                form.levelsAfterEachPrint(),
                form.sievesAfterEachPrint(),
                since,
                baseline,
                form.filmMaterial(),
                thickness,
                film,
                screen,
                light,
                before);
    }

    /** Of a new machine nothing was used; of another, what is left empty is not known. */
    private static Double before(MachineForm form, String typed, String field, Findings findings) {
        return form.isNew() ? Double.valueOf(0) : Typed.number(typed, field, findings);
    }
}
