package keel.app.prints.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.Figures;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.prints.Calibrations;
import keel.app.prints.Comparison;
import keel.app.prints.Pair;
import keel.app.prints.ProfileView;
import keel.app.prints.Profiles;
import keel.app.prints.School;
import keel.app.standing.Standings;
import keel.app.stores.Resins;
import keel.app.stores.Warmths;
import keel.core.Findings;
import keel.core.exposure.PrintTime;
import keel.core.profile.ColdResin;
import keel.core.profile.ProfileSettings;
import keel.core.profile.Setting;
import keel.core.resin.Warmth;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Pages of the profiles of a machine: which resins have one, and one of them with its versions. */
@Controller
@RequestMapping("/machines/{code}/profiles")
class ProfilesController {

    private static final int JOB_OF_LAYERS = 1500;

    private final Profiles profiles;
    private final Calibrations calibrations;
    private final Fleet fleet;
    private final Resins resins;
    private final Warmths warmths;
    private final Standings standings;
    private final Figures figures;

    ProfilesController(
            Profiles profiles,
            Calibrations calibrations,
            Fleet fleet,
            Resins resins,
            Warmths warmths,
            Standings standings,
            Figures figures) {
        this.profiles = profiles;
        this.calibrations = calibrations;
        this.fleet = fleet;
        this.resins = resins;
        this.warmths = warmths;
        this.standings = standings;
        this.figures = figures;
    }

    @GetMapping
    String list(@PathVariable String code, Model model) {
        MachineRef machine = fleet.machine(code);
        List<Pair> pairs = profiles.ofMachine(code);
        model.addAttribute("machine", machine);
        model.addAttribute("pairs", pairs);
        model.addAttribute(
                "without",
                resins.all(false).stream()
                        .filter(r -> pairs.stream().noneMatch(p -> p.resin().equals(r.code())))
                        .toList());
        return "prints/profiles";
    }

    @GetMapping("/new")
    String begin(@PathVariable String code, @RequestParam(required = false) String resin, Model model) {
        Map<String, String> typed = new LinkedHashMap<>();
        profiles.startFrom(code, resin).ifPresent(s -> typed.putAll(texts(s)));
        return showNew(code, resin, typed, model);
    }

    @PostMapping
    String begin(
            @PathVariable String code,
            @RequestParam(required = false) String resin,
            @RequestParam(required = false) String school,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> profiles.begin(code, resin, read(typed), school),
                "/machines/" + code + "/profiles/" + resin,
                model,
                response,
                () -> showNew(code, resin, typed, model));
    }

    @GetMapping("/{resin}")
    String one(
            @PathVariable String code,
            @PathVariable String resin,
            @RequestParam Map<String, String> asked,
            Model model) {
        if (!profiles.exists(code, resin)) {
            return "redirect:/machines/" + fleet.machine(code).code() + "/profiles/new?resin=" + resin;
        }
        ProfileView profile = profiles.of(code, resin);
        Map<String, String> typed = texts(profile.current().settings());
        Setting.called(asked.getOrDefault("set", ""))
                .ifPresent(s -> typed.put(s.code(), asked.getOrDefault("to", typed.get(s.code()))));
        model.addAttribute("proposed", asked.get("set"));
        return show(profile, typed, asked.get("with"), model);
    }

    /** Makes the next version. What is not in the form stays as it is. */
    @PostMapping("/{resin}")
    String change(
            @PathVariable String code,
            @PathVariable String resin,
            @RequestParam Map<String, String> typed,
            Model model,
            HttpServletResponse response) {
        try {
            Findings findings = new Findings();
            Integer after = Typed.whole(typed.get("after"), "after", findings);
            Refused.unless(findings);
            profiles.change(code, resin, read(typed), typed.get("why"), after == null ? -1 : after);
            return "redirect:/machines/" + code + "/profiles/" + resin + "?made";
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return show(profiles.of(code, resin), typed, null, model);
        }
    }

    @PostMapping("/{resin}/back")
    String back(
            @PathVariable String code,
            @PathVariable String resin,
            @RequestParam int to,
            @RequestParam(required = false) String why,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> profiles.backTo(code, resin, to, why),
                "/machines/" + code + "/profiles/" + resin + "?made",
                model,
                response,
                () -> {
                    ProfileView profile = profiles.of(code, resin);
                    return show(profile, texts(profile.current().settings()), null, model);
                });
    }

    private String showNew(String code, String resin, Map<String, String> typed, Model model) {
        MachineRef machine = fleet.machine(code);
        model.addAttribute("machine", machine);
        model.addAttribute("resins", resins.all(false));
        model.addAttribute("resin", resin);
        model.addAttribute("typed", typed);
        model.addAttribute("fields", fields(machine));
        model.addAttribute("schools", School.values());
        return "prints/profile-new";
    }

    private String show(ProfileView profile, Map<String, String> typed, String with, Model model) {
        ProfileSettings current = profile.current().settings();
        model.addAttribute("p", profile);
        model.addAttribute("typed", typed);
        model.addAttribute("fields", fields(fleet.machine(profile.machine())));
        model.addAttribute("chart", VersionChart.of(profile.versions()));
        model.addAttribute("compared", Comparison.of(profile, with));
        model.addAttribute("strip", LayerStrip.of(current));
        model.addAttribute("jobLayers", JOB_OF_LAYERS);
        model.addAttribute("jobTime", PrintTime.of(current.timing(JOB_OF_LAYERS)));
        model.addAttribute("cold", cold(profile.machine(), current));
        model.addAttribute("kept", calibrations.of(profile));
        return "prints/profile";
    }

    private ColdResin cold(String machine, ProfileSettings current) {
        return warmths.of(standings.of(machine))
                .filter(r -> r.hoursAgo() < Warmth.STALE_HOURS)
                .flatMap(r -> ColdResin.of(r.warmth(), current))
                .orElse(null);
    }

    /** Only what its machine can do: a plate that is lifted neither tilts nor slides anything. */
    private static List<Setting> fields(MachineRef machine) {
        return Arrays.stream(Setting.values())
                .filter(s -> machine.tiltsOrSlides() || s != Setting.RELEASE_S && s != Setting.SLOW_RELEASE_S)
                .toList();
    }

    private Map<String, String> texts(ProfileSettings s) {
        Map<String, String> texts = new LinkedHashMap<>();
        s.values().forEach((setting, value) -> texts.put(setting.code(), figures.exact(value)));
        return texts;
    }

    /** @throws Refused if something is no number at all */
    private static Map<Setting, Double> read(Map<String, String> typed) {
        Findings findings = new Findings();
        Map<Setting, Double> read = new EnumMap<>(Setting.class);
        for (Setting setting : Setting.values()) {
            Double value = Typed.number(typed.get(setting.code()), setting.code(), findings);
            if (value != null) {
                read.put(setting, value);
            }
        }
        Refused.unless(findings);
        return read;
    }
}
