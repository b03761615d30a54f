package keel.sim.measure;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import keel.core.diagnosis.Evidence;
import keel.core.diagnosis.Stakes;
import keel.core.knowledge.Check;
import keel.core.knowledge.Knowledge;

/**
 * What failures cost whoever acts on a desk's word, priced alike for every desk: work of the checks, the reprint that
 * fails again where the wrong cause is mended, what a harm costs that is found late.
 */
final class Losses {

    /** The look that sees a harm best. */
    private static final Map<String, String> LOOK = Map.of(
            "film-pierced", "leak-check",
            "resin-on-screen", "look-under-vat",
            "screen-dark-pixels", "screen-test",
            "debris-on-film", "feel-vat");

    /** Looked for with every clean-up, whatever the desk says: nothing prints before. */
    private static final Set<String> CLEAN_UP = Set.of("film-pierced", "resin-on-screen", "debris-on-film");

    private final Knowledge knowledge;
    private final Stakes stakes;
    private int cases;
    private double checks;
    private double reprints;
    private double late;
    private int withHarm;
    private int letThrough;
    private int missed;

    Losses(Knowledge knowledge, Stakes stakes) {
        this.knowledge = knowledge;
        this.stakes = stakes;
    }

    /**
     * One failure.
     *
     * @param done checks that were done
     * @param named cause that is mended
     * @param also harms that are looked for before anything prints
     */
    void add(Cases.Case c, List<Evidence.Done> done, String named, Set<String> also) {
        cases++;
        for (Evidence.Done d : done) {
            checks += cost(knowledge.check(d.check()).orElseThrow());
        }
        also.forEach(h -> checks += stakes.look());
        if (!c.right(named)) {
            String cause = c.truth().causes().get(0);
            reprints += stakes.reprint()
                    * stakes.left().getOrDefault(cause, stakes.left().get(""));
        }
        boolean through = false;
        boolean overlooked = false;
        for (String harm : c.truth().harms()) {
            boolean asked = CLEAN_UP.contains(harm) || also.contains(harm);
            boolean looked = asked || done.stream().anyMatch(d -> sees(d.check(), harm));
            boolean seen = named.equals(harm)
                    || done.stream().anyMatch(d -> d.found().contains(harm))
                    || asked && c.truth().checks().get(LOOK.get(harm)).contains(harm);
            late += seen ? 0 : stakes.harms().get(harm);
            through |= !seen && !looked;
            overlooked |= !seen && looked;
        }
        withHarm += c.truth().harms().isEmpty() ? 0 : 1;
        letThrough += through ? 1 : 0;
        missed += overlooked ? 1 : 0;
    }

    private double cost(Check check) {
        return check.minutes() / 60 * stakes.perHour() + stakes.spends().getOrDefault(check.code(), 0.0);
    }

    private boolean sees(String check, String harm) {
        Check c = knowledge.check(check).orElseThrow();
        return c.separates().contains(harm) || c.clears().contains(harm);
    }

    double perFailure() {
        return (checks + reprints + late) / cases;
    }

    double letThrough() {
        return (double) letThrough / cases;
    }

    @Override
    public String toString() {
        return String.format(
                Locale.ROOT,
                "%.2f a failure (looks %.2f, reprints %.2f, harm found late %.2f); harm in %.1f %%, "
                        + "let through %.1f %%, looked for and missed %.1f %%",
                perFailure(),
                checks / cases,
                reprints / cases,
                late / cases,
                100.0 * withHarm / cases,
                100 * letThrough(),
                100.0 * missed / cases);
    }
}
