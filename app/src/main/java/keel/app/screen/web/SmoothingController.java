package keel.app.screen.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.List;
import keel.app.base.Conflict;
import keel.app.base.PageErrors;
import keel.app.base.Paging;
import keel.app.base.Refused;
import keel.app.failures.CaseChecks;
import keel.app.failures.Failures;
import keel.app.fleet.Fleet;
import keel.app.fleet.Quirks;
import keel.app.prints.Profiles;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.profile.Setting;
import keel.core.smoothing.AxisPiece;
import keel.core.smoothing.SmoothingVerdict;
import keel.core.standing.Caution;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * The test of edge smoothing: a piece to print, what its faces show, and what follows: a quirk with its scope, an
 * answer to a failure's check.
 */
@Controller
class SmoothingController {

    private static final String ONE_AXIS = "quirk-smoothing-axis";
    private static final String CHECK = "axis-piece";
    private static final int CASES = 12;

    private final Standings standings;
    private final Quirks quirks;
    private final Failures failures;
    private final CaseChecks caseChecks;
    private final Profiles profiles;
    private final Fleet fleet;
    private final Clock clock;

    SmoothingController(
            Standings standings,
            Quirks quirks,
            Failures failures,
            CaseChecks caseChecks,
            Profiles profiles,
            Fleet fleet,
            Clock clock) {
        this.standings = standings;
        this.quirks = quirks;
        this.failures = failures;
        this.caseChecks = caseChecks;
        this.profiles = profiles;
        this.fleet = fleet;
        this.clock = clock;
    }

    /** What was seen on the faces; null where nobody said. */
    record Faces(Boolean x, Boolean y, Boolean between) {

        boolean all() {
            return x != null && y != null && between != null;
        }
    }

    @GetMapping("/machines/{code}/smoothing")
    String smoothing(@PathVariable String code, Faces faces, Model model) {
        MachineNow m = standings.of(code);
        Double profile = profiles.inForce(m.id(), clock.instant())
                .map(p -> p.settings().value(Setting.SMOOTHING))
                .orElse(null);
        SmoothingVerdict verdict = faces.all()
                ? SmoothingVerdict.of(
                        faces.x(), faces.y(), faces.between(), profile == null ? null : Boolean.valueOf(profile > 0))
                : null;
        model.addAttribute("m", m);
        model.addAttribute("faces", faces);
        model.addAttribute("verdict", verdict);
        model.addAttribute("profile", profile);
        model.addAttribute("caution", Caution.RAW_RESIN.words());
        model.addAttribute(
                "known",
                quirks.of(code).stream().filter(q -> ONE_AXIS.equals(q.code())).toList());
        model.addAttribute("cases", failures.list(code, true, Paging.of(0, CASES)));
        model.addAttribute(
                "machine",
                fleet.machines().stream()
                        .filter(x -> x.code().equals(code))
                        .findFirst()
                        .orElseThrow());
        model.addAttribute("controller", quirks.controllers().get(code));
        return "screen/smoothing";
    }

    @GetMapping("/machines/{code}/smoothing/piece.stl")
    ResponseEntity<byte[]> piece(@PathVariable String code) {
        standings.of(code);
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("model/stl"))
                .header("Content-Disposition", "attachment; filename=\"faces-to-both-axes.stl\"")
                .body(AxisPiece.stl());
    }

    /**
     * Writes down what follows.
     *
     * @param scope of the quirk and whose it is, like "MODEL|tern-144"; null for none
     */
    @PostMapping("/machines/{code}/smoothing")
    String keep(
            @PathVariable String code,
            Faces faces,
            @RequestParam(required = false) String scope,
            @RequestParam(required = false) Long failure,
            Model model,
            HttpServletResponse response) {
        try {
            if (!faces.all()) {
                throw new Refused("x", "Say of each kind of face whether it shows lines.");
            }
            SmoothingVerdict verdict = SmoothingVerdict.of(faces.x(), faces.y(), faces.between(), null);
            if (failure != null) {
                answer(failure, code, verdict);
            }
            String[] kept = scope == null ? new String[0] : scope.split("\\|", 2);
            if (kept.length == 2 && verdict.result() == SmoothingVerdict.Result.ONE_AXIS) {
                quirks.add(
                        kept[0],
                        kept[1],
                        ONE_AXIS,
                        verdict.words(),
                        verdict.workaround() + " It cannot help: " + String.join(" ", verdict.beyondHelp()));
            }
            return "redirect:" + (failure != null ? "/failures/" + failure : "/quirks?machine=" + code);
        } catch (Refused | Conflict e) {
            PageErrors.show(e, model, response);
            return smoothing(code, faces, model);
        }
    }

    private void answer(long failure, String code, SmoothingVerdict verdict) {
        if (!failures.one(failure).machine().equals(code)) {
            throw new Refused("failure", "Failure " + failure + " was seen on another machine.");
        }
        boolean tells = "smoothing-one-axis".equals(verdict.cause()) || "data-glitch".equals(verdict.cause());
        caseChecks.check(failure, CHECK, tells ? List.of(verdict.cause()) : List.of());
    }
}
