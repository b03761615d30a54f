package keel.core.diagnosis;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Check;
import keel.core.knowledge.Knowledge;
import keel.core.standing.Crush;

/**
 * What must be looked at before anything prints: harms that are likely and dear, and those that follow a crush or a
 * leak whatever their chance, until a look that can see them came out clean. A screen's own test does not clear a
 * screen that was crushed. Common practice, no source.
 */
final class Harms {

    private static final List<String> OF_A_CRUSH = List.of("film-pierced", "screen-dark-pixels");
    private static final List<String> OF_A_LEAK = List.of("film-pierced", "resin-on-screen");
    private static final Set<String> CRUSHES = Set.of("plate-dropped", "crunch-not-inspected");
    private static final Set<String> RESIN_THERE = Set.of("film-pierced", "spill", "resin-on-screen");
    private static final double MAY_BE_THERE = 0.02;
    private static final String LEAKED = "wet-under-vat";
    private static final String NO_SCREEN = "no-screen";

    private final Knowledge knowledge;
    private final Evidence evidence;
    private final Stakes stakes;
    private final boolean crushed;
    private final Map<String, Double> present = new HashMap<>();

    Harms(Knowledge knowledge, Evidence evidence, Stakes stakes, boolean crushed, double[] chances) {
        this.knowledge = knowledge;
        this.evidence = evidence;
        this.stakes = stakes;
        this.crushed = crushed;
        List<Cause> causes = knowledge.causes();
        for (int i = 0; i < chances.length; i++) {
            present.put(causes.get(i).code(), chances[i]);
        }
    }

    List<Diagnosis.AlsoLookAt> toLookAt() {
        Map<String, String> why = new LinkedHashMap<>();
        if (wasCrushed()) {
            OF_A_CRUSH.forEach(
                    h -> why.put(h, "Something was crushed: it is looked for twice before anything prints."));
        }
        if (leaked()) {
            OF_A_LEAK.forEach(
                    h -> why.putIfAbsent(h, "Resin came through: seen dry and whole before anything prints."));
        }
        for (String h : stakes.harmful()) {
            if (present.getOrDefault(h, 0.0) * stakes.harm(h) > stakes.look()) {
                why.putIfAbsent(h, "Likely enough, and dear to whoever prints on without a look.");
            }
        }
        List<Diagnosis.AlsoLookAt> looks = new ArrayList<>();
        why.forEach((code, because) -> {
            if (!lookedFor(code) && !cannotBe(code)) {
                looks.add(new Diagnosis.AlsoLookAt(
                        code, knowledge.nameOf(code), present.getOrDefault(code, 0.0), because));
            }
        });
        looks.sort(Comparator.comparingDouble(Diagnosis.AlsoLookAt::present)
                .reversed()
                .thenComparing(Diagnosis.AlsoLookAt::code));
        return looks;
    }

    private boolean wasCrushed() {
        return Crush.heard(evidence.symptoms()) || anyOf(evidence.history(), CRUSHES);
    }

    private static boolean anyOf(Collection<String> some, Set<String> of) {
        return some.stream().anyMatch(of::contains);
    }

    private boolean leaked() {
        return evidence.symptoms().contains(LEAKED)
                || evidence.checks().stream().anyMatch(d -> d.found().contains("film-pierced"));
    }

    private boolean cannotBe(String code) {
        return evidence.history().contains(NO_SCREEN) && code.contains("screen");
    }

    /** Whether a look that can see it was done: it came out clean, or found it, and then it is to be mended. */
    private boolean lookedFor(String code) {
        return evidence.checks().stream().anyMatch(d -> {
            Check check = knowledge.check(d.check()).orElseThrow();
            return d.found().contains(code)
                    || check.clears().contains(code) && !(crushed && check.missesAfterCrush() > check.misses());
        });
    }

    /** Whether resin may lie on the screen and nobody has seen it dry: what is lit then, cures there. */
    boolean mayBeWet() {
        boolean signs = wasCrushed()
                || leaked()
                || evidence.checks().stream().anyMatch(d -> anyOf(d.found(), RESIN_THERE))
                || present.getOrDefault("resin-on-screen", 0.0) > MAY_BE_THERE;
        return signs && !seenDry();
    }

    private boolean seenDry() {
        return evidence.checks().stream()
                .anyMatch(d -> d.check().equals("look-under-vat") && !anyOf(d.found(), RESIN_THERE));
    }
}
