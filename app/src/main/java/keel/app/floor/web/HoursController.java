package keel.app.floor.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.DayOfWeek;
import java.util.EnumMap;
import java.util.Map;
import keel.app.base.PageErrors;
import keel.app.base.Typed;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.Presences;
import keel.app.people.Role;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** When people are there, when nobody is, and where prints may go on at night. */
@Controller
class HoursController {

    private final Presences presences;
    private final Fleet fleet;

    HoursController(Presences presences, Fleet fleet) {
        this.presences = presences;
        this.fleet = fleet;
    }

    /** A week as it is typed. */
    record WeekForm(
            String monday,
            String tuesday,
            String wednesday,
            String thursday,
            String friday,
            String saturday,
            String sunday) {

        private Map<DayOfWeek, String> typed() {
            String[] days = {monday, tuesday, wednesday, thursday, friday, saturday, sunday};
            Map<DayOfWeek, String> typed = new EnumMap<>(DayOfWeek.class);
            for (DayOfWeek day : DayOfWeek.values()) {
                String text = days[day.getValue() - 1];
                typed.put(day, text == null ? "" : text.strip());
            }
            return typed;
        }
    }

    /** Days away as they were typed. */
    record AwayForm(Long person, String from, String to, String note) {}

    @GetMapping("/week/hours")
    String hours(Model model) {
        model.addAttribute("weeks", presences.weeks());
        model.addAttribute("days", DayOfWeek.values());
        model.addAttribute("away", presences.away());
        model.addAttribute("rooms", fleet.roomPlaces());
        model.addAttribute("myself", Actor.current().personId());
        model.addAttribute("all", Actor.current().role().atLeast(Role.KEEPER));
        return "floor/hours";
    }

    @PostMapping("/week/hours")
    String say(@RequestParam long person, WeekForm week, Model model, HttpServletResponse response) {
        return PageErrors.tried(() -> presences.say(person, week.typed()), "/week/hours", model, response, () -> {
            model.addAttribute("typedFor", person);
            model.addAttribute("typed", week.typed());
            return hours(model);
        });
    }

    /** @param person empty for everybody */
    @PostMapping("/week/away")
    String away(
            @RequestParam(required = false) Long person,
            @RequestParam(required = false) String from,
            @RequestParam(required = false) String to,
            @RequestParam(required = false) String note,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> presences.away(person, Typed.day(from, "from"), Typed.day(to, "to"), note),
                "/week/hours",
                model,
                response,
                () -> {
                    model.addAttribute("awayTyped", new AwayForm(person, from, to, note));
                    return hours(model);
                });
    }

    @PostMapping("/week/away/back")
    String takeBack(@RequestParam long id) {
        presences.takeBack(id);
        return "redirect:/week/hours";
    }

    @PostMapping("/week/night")
    String night(@RequestParam String room, @RequestParam boolean may) {
        fleet.nightRuns(room, may);
        return "redirect:/week/hours";
    }
}
