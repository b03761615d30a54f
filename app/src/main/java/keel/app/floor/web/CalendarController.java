package keel.app.floor.web;

import java.nio.charset.StandardCharsets;
import keel.app.floor.week.WeekCalendar;
import keel.app.floor.week.Weeks;
import keel.app.people.Actor;
import keel.app.people.People;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** The week as a calendar that others subscribe to by an address with a secret in it. */
@Controller
class CalendarController {

    private static final MediaType CALENDAR = new MediaType("text", "calendar", StandardCharsets.UTF_8);

    private final Weeks weeks;
    private final WeekCalendar calendar;
    private final People people;

    CalendarController(Weeks weeks, WeekCalendar calendar, People people) {
        this.weeks = weeks;
        this.calendar = calendar;
        this.people = people;
    }

    /** @param of {@code mine} for what is planned for whoever the address belongs to; all where left out */
    @GetMapping({"/calendar.ics", "/api/v1/calendar.ics"})
    ResponseEntity<String> calendar(@RequestParam(required = false) String of) {
        String person = "mine".equals(of) ? people.nameOf(Actor.current().personId()) : null;
        return ResponseEntity.ok().contentType(CALENDAR).body(calendar.of(weeks.now(), person));
    }

    @GetMapping("/week/calendar")
    String address(Model model) {
        model.addAttribute("own", people.ownCalendars());
        return "floor/calendar";
    }

    /** Shows the address once; it cannot be shown again. */
    @PostMapping("/week/calendar")
    String make(Model model) {
        String token = people.makeCalendarToken();
        model.addAttribute(
                "made",
                ServletUriComponentsBuilder.fromCurrentContextPath()
                        .path("/calendar.ics")
                        .queryParam("token", token)
                        .toUriString());
        return address(model);
    }

    @PostMapping("/week/calendar/withdraw")
    String withdraw() {
        people.withdrawOwnCalendars();
        return "redirect:/week/calendar";
    }
}
