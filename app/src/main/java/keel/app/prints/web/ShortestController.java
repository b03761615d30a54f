package keel.app.prints.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import keel.app.base.Conflict;
import keel.app.base.Figures;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.Fleet;
import keel.app.prints.Calibrations;
import keel.app.prints.ProfileView;
import keel.app.prints.Profiles;
import keel.core.Findings;
import keel.core.exposure.ShortestExposure;
import keel.core.exposure.ShortestExposure.Seen;
import keel.core.exposure.TestPiece;
import keel.core.profile.Setting;
import keel.core.standing.MachineKind;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The shortest exposure that holds: what came of strips or test pieces, and what follows from it. */
@Controller
class ShortestController {

    private static final int ROWS = 8;

    private final Profiles profiles;
    private final Calibrations calibrations;
    private final Fleet fleet;

    ShortestController(Profiles profiles, Calibrations calibrations, Fleet fleet) {
        this.profiles = profiles;
        this.calibrations = calibrations;
        this.fleet = fleet;
    }

    /** One list each, a row a strip; a row without anything seen is passed over. */
    record StripsForm(List<String> exposure, List<String> seen, List<String> depth, Boolean keep) {

        StripsForm {
            exposure = exposure == null ? List.of() : exposure;
            seen = seen == null ? List.of() : seen;
            depth = depth == null ? List.of() : depth;
            keep = Boolean.TRUE.equals(keep);
        }

        static StripsForm around(double exposureS) {
            return new StripsForm(
                    IntStream.rangeClosed(1, ROWS)
                            .mapToObj(n -> Figures.exact(Math.round(100 * exposureS * n / 4) / 100.0))
                            .toList(),
                    null,
                    null,
                    false);
        }

        public String exposure(int row) {
            return row < exposure.size() ? exposure.get(row) : "";
        }

        public String seen(int row) {
            return row < seen.size() ? seen.get(row) : "";
        }

        public String depth(int row) {
            return row < depth.size() ? depth.get(row) : "";
        }

        private List<ShortestExposure.Strip> read() {
            Findings findings = new Findings();
            List<ShortestExposure.Strip> strips = new ArrayList<>();
            for (int row = 0; row < ROWS; row++) {
                Double seconds = Typed.number(exposure(row), "exposure" + row, findings);
                Double mm = Typed.number(depth(row), "depth" + row, findings);
                String said = seen(row);
                Seen seen = Arrays.stream(Seen.values())
                        .filter(s -> s.name().equals(said))
                        .findFirst()
                        .orElse(null);
                findings.when(
                        seen == null && mm != null, "seen" + row, "Say what strip " + (row + 1) + " looked like.");
                findings.when(
                        seen != null && seconds == null && findings.none(),
                        "exposure" + row,
                        "Say how long strip " + (row + 1) + " was lit.");
                if (seen != null && seconds != null) {
                    strips.add(new ShortestExposure.Strip(seconds, seen, mm));
                }
            }
            Refused.unless(findings);
            return strips;
        }
    }

    @GetMapping("/machines/{code}/profiles/{resin}/shortest")
    String ask(@PathVariable String code, @PathVariable String resin, Model model) {
        ProfileView profile = profiles.of(code, resin);
        return show(profile, StripsForm.around(profile.current().settings().value(Setting.EXPOSURE_S)), model);
    }

    /** Judges what was seen; with {@code keep} writes it down. */
    @PostMapping("/machines/{code}/profiles/{resin}/shortest")
    String judge(
            @PathVariable String code,
            @PathVariable String resin,
            StripsForm form,
            Model model,
            HttpServletResponse response) {
        ProfileView profile = profiles.of(code, resin);
        try {
            List<ShortestExposure.Strip> strips = form.read();
            ShortestExposure shortest =
                    ShortestExposure.of(strips, profile.current().settings().value(Setting.LAYER_MM));
            if (form.keep()) {
                calibrations.keep(profile, strips, shortest);
                return "redirect:/machines/" + code + "/profiles/" + resin + "?kept";
            }
            model.addAttribute("shortest", shortest);
            model.addAttribute("take", shortest.take());
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
        } catch (IllegalArgumentException e) {
            PageErrors.show(new Refused("", Objects.requireNonNull(e.getMessage())), model, response);
        }
        return show(profile, form, model);
    }

    /** The piece to be sliced, mm. */
    @GetMapping("/test-piece.stl")
    ResponseEntity<byte[]> piece() {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "model/stl")
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"exposure-test-piece.stl\"")
                .body(TestPiece.stl());
    }

    private String show(ProfileView profile, StripsForm form, Model model) {
        model.addAttribute("strips", fleet.machine(profile.machine()).traits().kind() != MachineKind.LASER_TANK);
        model.addAttribute("p", profile);
        model.addAttribute("form", form);
        model.addAttribute("rows", ROWS);
        model.addAttribute("choices", Seen.values());
        model.addAttribute("layerMm", profile.current().settings().value(Setting.LAYER_MM));
        return "prints/shortest";
    }
}
