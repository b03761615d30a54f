package keel.app.floor.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.floor.remind.ReminderEntry;
import keel.app.floor.remind.Reminders;
import keel.app.people.Actor;
import keel.app.people.People;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.round.RemindOf;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseBody;

/** What somebody is reminded of: chosen here, said at an open page. */
@Controller
class RemindersController {

    private final Reminders reminders;
    private final People people;

    RemindersController(Reminders reminders, People people) {
        this.reminders = reminders;
        this.people = people;
    }

    /** What somebody wants, as it is typed. */
    record RemindForm(
            List<String> of,
            String atPage,
            String sound,
            String mail,
            String quietFrom,
            String quietTo,
            String then,
            String afterMinutes) {

        static RemindForm of(ReminderEntry e) {
            return new RemindForm(
                    e.of().stream().map(RemindOf::name).toList(),
                    e.atPage() ? "yes" : null,
                    e.sound() ? "yes" : null,
                    e.mail(),
                    e.quietFrom() == null ? "" : e.quietFrom().toString(),
                    e.quietTo() == null ? "" : e.quietTo().toString(),
                    e.then() == null ? "" : e.then().toString(),
                    Integer.toString(e.afterMinutes()));
        }

        public boolean wants(RemindOf kind) {
            return of != null && of.contains(kind.name());
        }

        private ReminderEntry read() {
            Findings findings = new Findings();
            Integer after = Typed.whole(afterMinutes, "afterMinutes", findings);
            LocalTime from = time(quietFrom, "quietFrom", findings);
            LocalTime to = time(quietTo, "quietTo", findings);
            Integer person = Typed.whole(then, "then", findings);
            Refused.unless(findings);
            return new ReminderEntry(
                    kinds(),
                    atPage != null,
                    sound != null,
                    mail,
                    from,
                    to,
                    person == null ? null : Long.valueOf(person),
                    after == null ? 0 : after);
        }

        private Set<RemindOf> kinds() {
            Set<RemindOf> kinds = EnumSet.noneOf(RemindOf.class);
            Arrays.stream(RemindOf.values()).filter(this::wants).forEach(kinds::add);
            return kinds;
        }

        private static LocalTime time(String text, String field, Findings findings) {
            if (text == null || text.isBlank()) {
                return null;
            }
            try {
                return LocalTime.parse(text.strip());
            } catch (DateTimeParseException e) {
                findings.add(field, "A time of day is written like 21:30.");
                return null;
            }
        }
    }

    @GetMapping("/reminders/choose")
    String choose(Model model) {
        return form(RemindForm.of(reminders.of(Actor.current().personId())), model);
    }

    private String form(RemindForm typed, Model model) {
        model.addAttribute("f", typed);
        model.addAttribute("kinds", RemindOf.values());
        model.addAttribute(
                "others",
                people.all().stream()
                        .filter(p -> p.active() && p.id() != Actor.current().personId())
                        .toList());
        model.addAttribute("server", reminders.server());
        model.addAttribute("mailed", Actor.current().role().atLeast(Role.KEEPER) ? reminders.lately() : List.of());
        return "floor/reminders";
    }

    @PostMapping("/reminders/choose")
    String chosen(RemindForm typed, Model model, HttpServletResponse response) {
        return PageErrors.tried(
                () -> reminders.say(typed.read()), "/reminders/choose?kept", model, response, () -> form(typed, model));
    }

    /** What an open page says; asked for every minute. */
    @GetMapping(path = "/reminders", produces = MediaType.APPLICATION_JSON_VALUE)
    @ResponseBody
    Reminders.AtPage now() {
        return reminders.atPage();
    }
}
