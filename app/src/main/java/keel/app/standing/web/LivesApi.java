package keel.app.standing.web;

import java.util.List;
import keel.app.base.Refused;
import keel.app.fleet.ShopSettings;
import keel.core.Findings;
import keel.core.life.AgeReplacement;
import keel.core.life.Life;
import keel.core.life.Survival;
import keel.core.life.WeibullFit;
import keel.core.standing.PartUse;
import keel.core.wear.WeibullLife;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Lives of parts, for programs. */
@RestController
@RequestMapping("/api/v1/life")
class LivesApi {

    private static final int MOST_LIVES = 100_000;
    private static final double MOST_HOURS = 1e7;

    private final ShopSettings settings;

    LivesApi(ShopSettings settings) {
        this.settings = settings;
    }

    /** One life; {@code ended} false while it goes on. */
    record LifeEntry(Double hours, Boolean ended) {}

    /**
     * @param method MLE (if left out) or BAYES, which starts from what is usual for {@code kind}
     * @param kind FILM (if left out), TANK, SCREEN or LIGHT
     */
    record FitQuestion(List<LifeEntry> lives, String method, PartUse.UsedPart kind) {}

    record Interval(List<Double> shape, List<Double> scaleHours) {}

    record SurvivalStep(double hours, double probability, double low, double high) {}

    record Fit(
            double shape, double scaleHours, Interval interval80, List<SurvivalStep> survival, int ends, int lives) {}

    /**
     * A Weibull life from ends and lives that go on, with its 80 % interval, and the estimate of Kaplan and Meier at
     * the ends.
     */
    @PostMapping("/fit")
    Fit fit(@RequestBody FitQuestion q) {
        Findings findings = new Findings();
        boolean bayes = "BAYES".equals(q.method());
        findings.when(
                q.method() != null && !bayes && !"MLE".equals(q.method()), "method", "The method is MLE or BAYES.");
        findings.when(q.lives() == null, "lives", "The lives are missing.");
        findings.when(
                q.lives() != null && q.lives().size() > MOST_LIVES, "lives", "More than " + MOST_LIVES + " lives.");
        Refused.unless(findings);
        for (int i = 0; i < q.lives().size(); i++) {
            LifeEntry l = q.lives().get(i);
            String field = "lives[" + i + "]";
            if (!findings.when(l == null, field, "A life is missing.")) {
                findings.when(
                        l.hours() == null || !(l.hours() > 0) || l.hours() > MOST_HOURS,
                        field + ".hours",
                        "A life must be more than 0 h and at most ten million: " + l.hours() + ".");
                findings.when(l.ended() == null, field + ".ended", "Whether it ended is missing.");
            }
        }
        Refused.unless(findings);
        List<Life> lives =
                q.lives().stream().map(l -> new Life(l.hours(), l.ended())).toList();
        WeibullFit fit = fitted(lives, bayes, q.kind() == null ? PartUse.UsedPart.FILM : q.kind());
        return new Fit(
                fit.shape(),
                fit.scale(),
                new Interval(List.of(fit.shapeLow(), fit.shapeHigh()), List.of(fit.scaleLow(), fit.scaleHigh())),
                Survival.of(lives).steps().stream()
                        .map(s -> new SurvivalStep(s.hours(), s.probability(), s.low(), s.high()))
                        .toList(),
                (int) lives.stream().filter(Life::ended).count(),
                lives.size());
    }

    private WeibullFit fitted(List<Life> lives, boolean bayes, PartUse.UsedPart kind) {
        try {
            return bayes
                    ? WeibullFit.bayes(
                            lives, WeibullFit.Prior.around(settings.defaults().life(kind)))
                    : WeibullFit.likeliest(lives);
        } catch (IllegalArgumentException e) {
            throw new Refused("lives", e.getMessage());
        }
    }

    record RemainingQuestion(Double shape, Double scaleHours, Double ageHours, Double jobHours) {}

    record Remaining(double failsDuringJob, double medianHours, double tenPercentHours) {}

    /** What is left of a part that is still alive at an age. */
    @PostMapping("/remaining")
    Remaining remaining(@RequestBody RemainingQuestion q) {
        Findings findings = new Findings();
        life(q.shape(), q.scaleHours(), findings);
        findings.range(q.ageHours(), 0, MOST_HOURS, "ageHours", "The age", "h");
        findings.range(q.jobHours(), 0, MOST_HOURS, "jobHours", "The job", "h");
        Refused.unless(findings);
        WeibullLife life = new WeibullLife(q.shape(), q.scaleHours());
        return new Remaining(
                life.failsWithin(q.ageHours(), q.jobHours()),
                life.left(q.ageHours(), 0.5),
                life.left(q.ageHours(), 0.1));
    }

    record ReplacementQuestion(Double shape, Double scaleHours, Double plannedCost, Double failureCost) {}

    record Replacement(
            Double replaceAtHours,
            double costPerHour,
            double runToFailureCostPerHour,
            String advice,
            AgeReplacement.Advice why) {}

    /** When to change such a part before it ends. */
    @PostMapping("/replacement")
    Replacement replacement(@RequestBody ReplacementQuestion q) {
        Findings findings = new Findings();
        life(q.shape(), q.scaleHours(), findings);
        findings.range(q.plannedCost(), 1e-9, 1e12, "plannedCost", "The cost of a planned change", "");
        findings.range(q.failureCost(), 1e-9, 1e12, "failureCost", "The cost of an end in service", "");
        Refused.unless(findings);
        AgeReplacement r =
                AgeReplacement.of(new WeibullLife(q.shape(), q.scaleHours()), q.plannedCost(), q.failureCost());
        return new Replacement(
                r.replaceAtHours(),
                r.costPerHour(),
                r.runToFailurePerHour(),
                r.advice().words(),
                r.advice());
    }

    private static void life(Double shape, Double scaleHours, Findings findings) {
        findings.range(shape, 0.05, 100, "shape", "The shape", "");
        findings.range(scaleHours, 1e-6, MOST_HOURS, "scaleHours", "The scale", "h");
    }
}
