package keel.app.air.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.app.air.AirParts;
import keel.app.air.AirPlans;
import keel.app.air.PlanForm;
import keel.app.air.RoomAir;
import keel.app.air.RoomHistory;
import keel.app.air.Sensors;
import keel.app.base.CsvFile;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Seen;
import keel.app.base.Typed;
import keel.app.fleet.ShopSettings;
import keel.core.Findings;
import keel.core.air.AirPartKind;
import keel.core.air.AirPath;
import keel.core.air.Fan;
import keel.core.air.RoomNumbers;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Pages of the air. */
@Controller
class AirController {

    private static final Map<String, Duration> SPANS = new LinkedHashMap<>();

    static {
        SPANS.put("day", Duration.ofHours(14));
        SPANS.put("week", Duration.ofDays(7));
        SPANS.put("month", Duration.ofDays(31));
        SPANS.put("year", Duration.ofDays(365));
        SPANS.put("all", Duration.ofDays(5 * 365));
    }

    private final RoomAir rooms;
    private final Sensors sensors;
    private final RoomHistory history;
    private final AirParts parts;
    private final ShopSettings settings;
    private final AirPlans plans;
    private final Clock clock;

    AirController(
            RoomAir rooms,
            Sensors sensors,
            RoomHistory history,
            AirParts parts,
            ShopSettings settings,
            AirPlans plans,
            Clock clock) {
        this.rooms = rooms;
        this.sensors = sensors;
        this.history = history;
        this.parts = parts;
        this.settings = settings;
        this.plans = plans;
        this.clock = clock;
    }

    @GetMapping("/air")
    String air(Model model) {
        model.addAttribute("rooms", rooms.all());
        model.addAttribute(
                "loose", sensors.all().stream().filter(s -> s.room() == null).toList());
        model.addAttribute("parts", parts.all());
        model.addAttribute("kinds", AirPartKind.values());
        return "air/air";
    }

    @PostMapping("/air/sensors/{code}")
    String place(@PathVariable String code, @RequestParam(defaultValue = "") String room) {
        sensors.place(code, room);
        return "redirect:/air";
    }

    @PostMapping("/air/parts")
    String add(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> {
                    Findings findings = new Findings();
                    Double hours = Typed.number(typed.get("lifeHours"), "lifeHours", findings);
                    Double days = Typed.number(typed.get("lifeDays"), "lifeDays", findings);
                    Refused.unless(findings);
                    parts.add(typed.get("kind"), typed.get("name"), typed.get("room"), hours, days);
                },
                "/air",
                model,
                response,
                () -> air(model));
    }

    @PostMapping("/air/parts/{id}")
    String part(
            @PathVariable long id, @RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        return PageErrors.tried(
                () -> {
                    switch (typed.getOrDefault("do", "")) {
                        case "done" -> parts.seenTo(id, null);
                        case "retire" -> parts.retire(id);
                        case "lasts" -> {
                            Findings findings = new Findings();
                            Double hours = Typed.number(typed.get("lifeHours"), "lifeHours", findings);
                            Double days = Typed.number(typed.get("lifeDays"), "lifeDays", findings);
                            Refused.unless(findings);
                            parts.lasts(id, hours, days);
                        }
                        case "worn" -> {
                            Findings findings = new Findings();
                            Double hours = Typed.number(typed.get("hours"), "hours", findings);
                            Refused.unless(findings);
                            parts.worn(id, hours);
                        }
                        default -> throw new Refused("do", "Say what was done.");
                    }
                },
                "/air",
                model,
                response,
                () -> air(model));
    }

    @GetMapping("/air/rooms/{code}")
    String room(
            @PathVariable String code,
            @RequestParam(defaultValue = "day") String span,
            @RequestParam(required = false) String sensor,
            Model model) {
        RoomAir.RoomView room = rooms.one(code);
        Instant to = clock.instant();
        String shown = SPANS.containsKey(span) ? span : "day";
        Instant from = to.minus(SPANS.get(shown));
        Sensors.Series series = sensors.series(code, sensor, from, to);
        if (shown.equals("all") && !series.points().isEmpty()) {
            from = series.points().get(0).at();
        }
        List<RoomHistory.Rate> rates = history.rates(code);
        boolean near = Duration.between(from, to).toDays() <= 31;
        double limit = room.room().tvocLimitPpb() == null
                ? RoomAir.TVOC_LIMIT_PPB
                : room.room().tvocLimitPpb();
        model.addAttribute("room", room);
        model.addAttribute("seen", Seen.of(RoomAir.stands(room.room())).sum());
        model.addAttribute("span", shown);
        model.addAttribute("sensor", sensor);
        model.addAttribute("spans", SPANS.keySet());
        model.addAttribute("limit", limit);
        model.addAttribute("empty", series.points().isEmpty());
        model.addAttribute(
                "d",
                SeriesDrawing.of(
                        series,
                        from,
                        to,
                        settings.zone(),
                        limit,
                        room.room().lowC(),
                        room.room().highC(),
                        near ? history.runs(code, from, to) : List.of(),
                        near ? rooms.washes(code, from, to) : List.of()));
        model.addAttribute("rates", RateDrawing.of(rates, room.plannedChanges()));
        model.addAttribute("planned", rooms.path(code).isPresent());
        return "air/room";
    }

    @PostMapping("/air/rooms/{code}")
    String describe(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> {
                    Findings findings = new Findings();
                    RoomAir.Described d = new RoomAir.Described(
                            Typed.number(typed.get("volumeM3"), "volumeM3", findings),
                            Typed.number(typed.get("mixingFactor"), "mixingFactor", findings),
                            Typed.number(typed.get("lowC"), "lowC", findings),
                            Typed.number(typed.get("highC"), "highC", findings),
                            typed.get("openings"),
                            typed.containsKey("washes"),
                            Typed.number(typed.get("tvocLimitPpb"), "tvocLimitPpb", findings));
                    Refused.unless(findings);
                    rooms.describe(code, d, Seen.sent(typed.get("seen")));
                },
                "/air/rooms/" + code,
                model,
                response,
                () -> room(code, "day", null, model));
    }

    @PostMapping("/air/rooms/{code}/fan")
    String fan(
            @PathVariable String code,
            @RequestParam boolean running,
            @RequestParam(defaultValue = "/air") String back) {
        rooms.fan(code, running);
        return "redirect:" + (back.matches("/[a-z0-9/-]*") && !back.startsWith("//") ? back : "/air");
    }

    /** Readings as they are shown, or minute by minute within a day. */
    @GetMapping(value = "/air/rooms/{code}.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(
            @PathVariable String code,
            @RequestParam(defaultValue = "month") String span,
            @RequestParam(required = false) String sensor) {
        rooms.one(code);
        Instant to = clock.instant();
        List<List<?>> rows = new ArrayList<>();
        sensors.series(code, sensor, to.minus(SPANS.getOrDefault(span, SPANS.get("month"))), to)
                .points()
                .forEach(p -> rows.add(Arrays.asList(
                        p.at(),
                        p.tvoc(),
                        p.tvocMax(),
                        p.temperatureC(),
                        p.temperatureMin(),
                        p.temperatureMax(),
                        p.humidityPercent())));
        return CsvFile.of(
                code + "-air.csv",
                List.of(
                        "at",
                        "tvocPpb",
                        "tvocMaxPpb",
                        "temperatureC",
                        "temperatureMinC",
                        "temperatureMaxC",
                        "humidityPercent"),
                rows);
    }

    @GetMapping("/air/rooms/{code}/plan")
    String plan(
            @PathVariable String code,
            @RequestParam Map<String, String> asked,
            Model model,
            HttpServletResponse response) {
        RoomAir.RoomView room = rooms.one(code);
        PlanForm form = plans.form(code, asked);
        model.addAttribute("room", room);
        model.addAttribute("form", form.typed());
        model.addAttribute("fans", Fan.USUAL);
        model.addAttribute("hoses", AirPath.Hose.values());
        try {
            Findings findings = new Findings();
            AirPath path = form.path(findings);
            Refused.unless(findings);
            AirPath.Moved moved = plans.moved(path);
            model.addAttribute("moved", moved);
            model.addAttribute("path", path);
            model.addAttribute("drawing", PathDrawing.of(moved));
            model.addAttribute("curves", PathDrawing.Curves.of(path.fan().points(), moved));
            if (room.room().volumeM3() != null) {
                model.addAttribute("numbers", numbers(room.room(), moved.flowM3H(), form));
            }
        } catch (Refused e) {
            PageErrors.show(e, model, response);
        }
        return "air/plan";
    }

    private static RoomNumbers numbers(RoomAir.Described room, double flow, PlanForm form) {
        Findings findings = new Findings();
        RoomNumbers.Work work = new RoomNumbers.Work(
                form.number("washGPerH", 60, findings),
                form.number("washMinutes", 15, findings),
                form.number("spillMl", 200, findings));
        Refused.unless(findings);
        work.check(findings);
        Refused.unless(findings);
        return RoomNumbers.of(room.volumeM3(), room.mixingFactor() == null ? 1 : room.mixingFactor(), flow, work);
    }

    @PostMapping("/air/rooms/{code}/plan")
    String keep(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> plans.keep(code, typed),
                "/air/rooms/" + code + "/plan",
                model,
                response,
                () -> plan(code, typed, model, response));
    }
}
