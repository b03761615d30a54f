package keel.app.people.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import java.time.LocalDate;
import keel.app.base.Conflict;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.ShopZone;
import keel.app.people.Actor;
import keel.app.people.OwnPassword;
import keel.app.people.People;
import keel.app.people.Role;
import keel.app.people.TokenScope;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The owner's page of people and tokens. */
@Controller
class PeopleController {

    private final People people;
    private final OwnPassword own;
    private final ShopZone zone;

    PeopleController(People people, OwnPassword own, ShopZone zone) {
        this.people = people;
        this.own = own;
        this.zone = zone;
    }

    @ModelAttribute("askOwn")
    boolean askOwn(HttpServletRequest request) {
        return own.asked(request);
    }

    record PersonForm(String signIn, String name, Role role, String password, String pin) {}

    @GetMapping("/setup/people")
    String list(Model model) {
        Actor.require(Role.OWNER);
        model.addAttribute("people", people.all());
        model.addAttribute("tokens", people.tokens());
        model.addAttribute("roles", Role.values());
        model.addAttribute("scopes", TokenScope.values());
        if (!model.containsAttribute("form")) {
            model.addAttribute("form", new PersonForm("", "", Role.OPERATOR, "", ""));
        }
        return "people/people";
    }

    @PostMapping("/setup/people")
    String add(
            PersonForm form,
            @RequestParam(required = false) String own,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        try {
            this.own.ask(own, request);
            people.add(form.signIn(), form.name(), form.role(), form.password(), form.pin());
            return "redirect:/setup/people";
        } catch (Refused e) {
            return again(e, form, model, response);
        }
    }

    @PostMapping("/setup/people/{id}")
    String change(
            @PathVariable long id,
            @RequestParam Role role,
            @RequestParam(defaultValue = "false") boolean active,
            @RequestParam(required = false) String own,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        try {
            this.own.ask(own, request);
            people.change(id, role, active);
            return "redirect:/setup/people";
        } catch (Conflict | Refused e) {
            return again(e, new PersonForm("", "", Role.OPERATOR, "", ""), model, response);
        }
    }

    @PostMapping("/setup/people/{id}/password")
    String reset(
            @PathVariable long id,
            @RequestParam String password,
            @RequestParam(required = false) String own,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        try {
            this.own.ask(own, request);
            people.resetPassword(id, password);
            return "redirect:/setup/people";
        } catch (Refused e) {
            return again(e, new PersonForm("", "", Role.OPERATOR, "", ""), model, response);
        }
    }

    @PostMapping("/setup/tokens")
    String makeToken(
            @RequestParam String name,
            @RequestParam Role role,
            @RequestParam(defaultValue = "ALL") TokenScope scope,
            @RequestParam(required = false) @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate until,
            @RequestParam(required = false) String own,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        try {
            this.own.ask(own, request);
            Instant end = until == null
                    ? null
                    : until.plusDays(1).atStartOfDay(zone.zone()).toInstant();
            model.addAttribute("newToken", people.makeToken(name, role, scope, end));
            model.addAttribute("askOwn", false);
        } catch (Refused e) {
            PageErrors.show(e, model, response);
        }
        return list(model);
    }

    @PostMapping("/setup/tokens/{id}/revoke")
    String revoke(@PathVariable long id) {
        people.revokeToken(id);
        return "redirect:/setup/people";
    }

    private String again(RuntimeException e, PersonForm form, Model model, HttpServletResponse response) {
        PageErrors.show(e, model, response);
        model.addAttribute("form", form);
        return list(model);
    }
}
