package keel.app.stores.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.Parts;
import keel.app.fleet.ShopSettings;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.stores.BottlePours;
import keel.app.stores.Bottles;
import keel.app.stores.PourKind;
import keel.app.stores.Resins;
import keel.app.stores.VatDepth;
import keel.core.Findings;
import keel.core.quick.LabelCode;
import keel.core.standing.MachineKind;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Pouring: from a bottle into the vat of a machine, back into a bottle, through a sieve. */
@Controller
class PourController {

    private final Resins resins;
    private final Bottles bottles;
    private final BottlePours pours;
    private final Fleet fleet;
    private final Parts parts;
    private final Standings standings;
    private final ShopSettings settings;
    private final Clock clock;

    PourController(
            Resins resins,
            Bottles bottles,
            BottlePours pours,
            Fleet fleet,
            Parts parts,
            Standings standings,
            ShopSettings settings,
            Clock clock) {
        this.resins = resins;
        this.bottles = bottles;
        this.pours = pours;
        this.fleet = fleet;
        this.parts = parts;
        this.standings = standings;
        this.settings = settings;
        this.clock = clock;
    }

    @GetMapping("/machines/{code}/pour")
    String form(@PathVariable String code, Model model) {
        MachineNow now = standings.of(code);
        MachineRef machine = fleet.machine(code);
        Parts.PartRef vat = parts.vatOn(machine.id());
        Double most = vat == null ? null : pours.most(vat).orElse(null);
        model.addAttribute("now", now);
        model.addAttribute("resins", resins.all(false));
        model.addAttribute("bottles", bottles.atHand(now.resin()));
        model.addAttribute(
                "others",
                now.resin() == null
                        ? List.of()
                        : bottles.all(false).stream()
                                .filter(b -> !b.resin().equals(now.resin()))
                                .map(Bottles.Bottle::resinName)
                                .distinct()
                                .toList());
        model.addAttribute("most", most);
        model.addAttribute("room", most == null ? null : Double.valueOf(Math.max(0, Math.floor(most - now.resinMl()))));
        model.addAttribute("depth", VatDepth.of(machine, now.resinMl(), most));
        model.addAttribute("today", LocalDate.ofInstant(clock.instant(), settings.zone()));
        model.addAttribute(
                "family", vat == null ? null : resins.familyOf(vat.code()).orElse(null));
        model.addAttribute("selfFilling", machine.selfFilling());
        model.addAttribute("changes", machine.traits().kind() != MachineKind.LASER_TANK);
        return "stores/pour";
    }

    @PostMapping("/machines/{code}/pour")
    String pour(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> {
                    MachineRef machine = fleet.machine(code);
                    Parts.PartRef vat = parts.vatOn(machine.id());
                    if (vat == null) {
                        throw new Conflict("resin", "No vat is on " + machine.name() + ".");
                    }
                    Findings findings = new Findings();
                    Double ml = ml(typed, findings);
                    Refused.unless(findings);
                    String scanned = typed.getOrDefault("scanned", "");
                    String bottle = scanned.isBlank() ? typed.getOrDefault("bottle", "") : scanned;
                    if (bottle.isBlank() && !typed.getOrDefault("resin", "").isBlank()) {
                        resins.pour(vat.code(), typed.get("resin"), ml, null);
                    } else {
                        pours.pour(vat.code(), bottle, ml, kind(typed.get("kind")), null);
                    }
                },
                "/machines/" + code,
                model,
                response,
                () -> form(code, model));
    }

    /** What ran back is asked apart from what went in; sieving asks for nothing. */
    private static Double ml(Map<String, String> typed, Findings findings) {
        return switch (typed.getOrDefault("kind", "")) {
            case "RETURN" -> Typed.number(typed.getOrDefault("backMl", typed.get("ml")), "backMl", findings);
            case "SIEVE" -> null;
            default -> Typed.number(typed.get("ml"), "ml", findings);
        };
    }

    private static PourKind kind(String name) {
        return List.of(PourKind.values()).stream()
                .filter(k -> k.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new Refused("kind", "Say whether it was poured, topped up, returned or sieved."));
    }

    /** A vat that a bottle may go into; {@code room} what it still takes, null where that is not known. */
    record Into(String machine, String machineName, String vat, double ml, Double room) {}

    /** A bottle that was scanned: where it goes next, by tap or by the label of a vat or a machine. */
    @GetMapping("/stores/bottles/{code}")
    String bottle(@PathVariable String code, Model model) {
        Bottles.Bottle bottle = found(code);
        model.addAttribute("bottle", bottle);
        model.addAttribute(
                "vats",
                standings.all().stream()
                        .filter(m -> bottle.resin().equals(m.resin()) && m.vat() != null)
                        .map(m -> new Into(
                                m.code(),
                                m.name(),
                                m.vat().code(),
                                m.resinMl(),
                                pours.most(parts.vatOn(m.id()))
                                        .map(most -> Math.max(0, Math.floor(most - m.resinMl())))
                                        .orElse(null)))
                        .toList());
        model.addAttribute("today", LocalDate.ofInstant(clock.instant(), settings.zone()));
        return "stores/bottle";
    }

    private Bottles.Bottle found(String code) {
        try {
            return bottles.one(code, "bottle");
        } catch (Refused e) {
            throw new NotThere(e.getMessage());
        }
    }

    @PostMapping("/stores/bottles/{code}/pour")
    String pourFrom(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        model.addAttribute("typed", typed);
        String[] machine = new String[1];
        try {
            Findings findings = new Findings();
            Double ml = Typed.number(typed.get("ml"), "ml", findings);
            Refused.unless(findings);
            Parts.PartRef vat = vat(typed.getOrDefault("into", ""));
            Long on = parts.machineOfVat(vat.id());
            machine[0] = on == null ? null : fleet.machine(on).code();
            pours.pour(
                    vat.code(),
                    code,
                    ml == null ? pours.fills(vat, found(code)) : ml,
                    kind(typed.getOrDefault("kind", "TOP_UP")),
                    null);
            return "redirect:" + (machine[0] == null ? "/vats/" + vat.code() : "/machines/" + machine[0]);
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return bottle(code, model);
        }
    }

    /** By the code of a vat, by a machine's name, or as a scanner reads the label of either. */
    private Parts.PartRef vat(String typed) {
        Optional<LabelCode> label = LabelCode.read(typed.strip());
        String code = label.map(LabelCode::code).orElse(typed.strip());
        if (label.filter(l -> l.kind() == LabelCode.LabelKind.MACHINE).isPresent()
                || fleet.machines().stream().anyMatch(m -> m.code().equalsIgnoreCase(code))) {
            Parts.PartRef on =
                    parts.vatOn(fleet.machine(code.toLowerCase(Locale.ROOT)).id());
            if (on == null) {
                throw new Conflict("into", "No vat is on " + code + ".");
            }
            return on;
        }
        return parts.vat(code.toUpperCase(Locale.ROOT), "into");
    }

    @GetMapping("/stores/bottles")
    String all(@RequestParam(defaultValue = "false") boolean empty, Model model) {
        model.addAttribute("bottles", bottles.all(empty));
        model.addAttribute("empty", empty);
        model.addAttribute("resins", resins.all(false));
        model.addAttribute("today", LocalDate.ofInstant(clock.instant(), settings.zone()));
        return "stores/bottles";
    }

    @PostMapping("/stores/bottles")
    String add(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        model.addAttribute("typed", typed);
        return PageErrors.tried(
                () -> {
                    Findings findings = new Findings();
                    LocalDate expires = null;
                    try {
                        expires = typed.getOrDefault("expiresOn", "").isBlank()
                                ? null
                                : LocalDate.parse(typed.get("expiresOn").strip());
                    } catch (DateTimeParseException e) {
                        findings.add("expiresOn", "This is no day: " + typed.get("expiresOn") + ".");
                    }
                    Bottles.Entry entry = new Bottles.Entry(
                            typed.get("resin"),
                            Typed.whole(typed.get("count"), "count", findings),
                            Typed.number(typed.get("fullMl"), "fullMl", findings),
                            typed.get("lot"),
                            Typed.number(typed.get("price"), "price", findings),
                            expires,
                            typed.containsKey("counted"));
                    Refused.unless(findings);
                    bottles.add(entry);
                },
                "/stores/bottles",
                model,
                response,
                () -> all(false, model));
    }

    @PostMapping("/stores/bottles/{code}")
    String bottle(
            @PathVariable String code,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> {
                    switch (typed.getOrDefault("do", "")) {
                        case "shaken" -> bottles.shaken(code);
                        case "empty" -> bottles.emptied(code, true);
                        case "back" -> bottles.emptied(code, false);
                        case "weighed" -> {
                            Findings findings = new Findings();
                            Double grams = Typed.number(typed.get("grams"), "leftMl", findings);
                            Refused.unless(findings);
                            Double density = found(code).densityGPerMl();
                            if (density == null) {
                                throw new Conflict(
                                        "leftMl",
                                        "The density of its resin is not known. Say it under the resin, or measure "
                                                + "by volume.");
                            }
                            bottles.measured(code, grams == null ? null : Double.valueOf(grams / density));
                        }
                        default -> {
                            Findings findings = new Findings();
                            Double left = Typed.number(typed.get("leftMl"), "leftMl", findings);
                            Refused.unless(findings);
                            bottles.measured(code, left);
                        }
                    }
                },
                "/stores/bottles",
                model,
                response,
                () -> all(false, model));
    }
}
