package keel.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Check;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Symptom;
import keel.core.standing.Crush;

/** One failure with all that is known of it, put into figures: own chances, findings, and what speaks to each cause. */
final class Case {

    private static final double MACHINE_SHOWS_ON_PIECE = 0.6;
    private static final double JOB_BLAMES_MACHINE = 0.06;
    private static final double PLACED_IS_LEFT = 2.0 / 3;
    private static final double LEFT_BY_CHANCE = 0.25;
    private static final double SURE = 1;

    /** Something that was seen, and who shows it; {@code counts} where it is to be explained. */
    record Finding(String fact, String words, double[] shows, double leak, boolean counts) {}

    /** A fact with what it does to the odds of each cause; 1 for nothing. */
    record Fact(String fact, String words, double[] ratios) {}

    private final Knowledge knowledge;
    private final Odds odds;
    private final Evidence evidence;
    private final List<Cause> causes;
    private final Map<String, Integer> index = new HashMap<>();
    private final boolean crushed;
    private final List<Finding> findings = new ArrayList<>();
    private final List<Fact> history = new ArrayList<>();
    private final List<Fact> others = new ArrayList<>();
    private final double[] own;
    private final double[] unmentioned;
    private final boolean[] able;

    /**
     * @param shares of failures that each cause began here, by the order of the knowledge; they sum to 1
     */
    Case(Knowledge knowledge, Odds odds, double[] shares, Evidence evidence) {
        this.knowledge = knowledge;
        this.odds = odds;
        this.evidence = evidence;
        this.causes = knowledge.causes();
        for (int i = 0; i < causes.size(); i++) {
            index.put(causes.get(i).code(), i);
        }
        this.crushed = Crush.likely(evidence.symptoms(), evidence.history());
        this.unmentioned = ones();
        this.able = new boolean[causes.size()];
        for (int i = 0; i < able.length; i++) {
            able[i] = showsSomething(causes.get(i));
        }
        symptoms();
        history();
        checks();
        this.own = own(shares);
    }

    List<Finding> findings() {
        return findings;
    }

    List<Cause> causes() {
        return causes;
    }

    boolean crushed() {
        return crushed;
    }

    Network network() {
        double[][] shows = new double[causes.size()][findings.size()];
        double[] leaks = new double[findings.size()];
        for (int s = 0; s < leaks.length; s++) {
            leaks[s] = findings.get(s).leak();
            for (int i = 0; i < causes.size(); i++) {
                shows[i][s] = findings.get(s).shows()[i];
            }
        }
        double[] factor = unmentioned.clone();
        for (Fact fact : others) {
            Arrays.setAll(factor, i -> factor[i] * fact.ratios()[i]);
        }
        return new Network(own, edges(), shows, leaks, factor);
    }

    private List<Network.Edge> edges() {
        return odds.links().leads().stream()
                .map(l -> new Network.Edge(place(l.from()), place(l.to()), l.chance()))
                .toList();
    }

    private int place(String cause) {
        return index.getOrDefault(cause, 0);
    }

    /** All facts that change the odds of causes by themselves: history, what is absent, checks. */
    List<Fact> facts() {
        List<Fact> all = new ArrayList<>(others);
        all.addAll(history);
        return all;
    }

    private double[] ones() {
        double[] ones = new double[causes.size()];
        Arrays.fill(ones, 1);
        return ones;
    }

    private double[] each(java.util.function.ToDoubleFunction<Cause> of) {
        return causes.stream().mapToDouble(of).toArray();
    }

    // ---- symptoms

    private double shows(Cause cause, String symptom) {
        return odds.links().itself(cause.code(), symptom) ? odds.shows()[cause.strength(symptom)] : 0;
    }

    private void symptoms() {
        boolean ofThePrint =
                evidence.symptoms().stream().anyMatch(s -> !odds.links().signs().contains(s));
        for (Symptom s : knowledge.symptoms()) {
            if (evidence.symptoms().contains(s.code())) {
                findings.add(new Finding(
                        "symptom:" + s.code(),
                        s.name().toLowerCase(Locale.ROOT),
                        each(c -> shows(c, s.code())),
                        odds.leak(s.code(), evidence.symptoms()),
                        !ofThePrint || !odds.links().signs().contains(s.code())));
            } else if (evidence.absent().contains(s.code())) {
                others.add(new Fact(
                        "symptom:" + s.code(),
                        "no " + s.name().toLowerCase(Locale.ROOT),
                        each(c -> 1 - shows(c, s.code()))));
            } else if (!evidence.symptoms().isEmpty() && !hidden(s)) {
                for (int i = 0; i < unmentioned.length; i++) {
                    unmentioned[i] *= 1 - odds.mentions() * shows(causes.get(i), s.code());
                }
            }
        }
        if (evidence.symptoms().isEmpty()) {
            findings.add(new Finding("failure", "it failed", each(c -> SURE), 0, true));
        }
    }

    private boolean hidden(Symptom s) {
        boolean ofThePrint = s.look() == Symptom.Place.PLATE || s.look() == Symptom.Place.PART;
        return ofThePrint && odds.hidden(evidence.symptoms());
    }

    // ---- history

    private void history() {
        Map<String, Fact> strongest = new HashMap<>();
        for (String code : evidence.history()) {
            Odds.HistoryFact fact = odds.fact(code).orElseThrow();
            boolean describes = odds.links().describes().contains(code);
            double[] ratios = new double[causes.size()];
            for (int i = 0; i < ratios.length; i++) {
                Cause c = causes.get(i);
                ratios[i] = describes && !able[i] ? 1 : outweighed(c, fact.ratio(c.code()));
            }
            strongest.merge(
                    odds.links().origin(code),
                    new Fact("history:" + code, fact.words(), ratios),
                    (a, b) -> stronger(a, b));
        }
        evidence.history().stream()
                .map(code -> strongest.get(odds.links().origin(code)))
                .distinct()
                .forEach(history::add);
    }

    /** Of facts of one origin the one that says more of each cause; named after the one that says most. */
    private static Fact stronger(Fact a, Fact b) {
        double[] ratios = new double[a.ratios().length];
        double ofA = 0;
        double ofB = 0;
        for (int i = 0; i < ratios.length; i++) {
            double sayA = Math.abs(Math.log(a.ratios()[i]));
            double sayB = Math.abs(Math.log(b.ratios()[i]));
            ratios[i] = sayA >= sayB ? a.ratios()[i] : b.ratios()[i];
            ofA += sayA;
            ofB += sayB;
        }
        Fact named = ofA >= ofB ? a : b;
        return new Fact(named.fact(), named.words(), ratios);
    }

    /** What the eye sees of a part outweighs a date: that a film is new speaks for nothing once it looks cloudy. */
    private double outweighed(Cause cause, double ratio) {
        boolean seen =
                evidence.symptoms().stream().anyMatch(s -> odds.links().signs().contains(s) && cause.strength(s) >= 2);
        return seen ? Math.max(1, ratio) : ratio;
    }

    /** Whether each cause can have begun this failure: it shows something of what was seen. */
    boolean[] matters() {
        return able;
    }

    /** What must be judged together: what can have begun it, and harms that are looked for all the same. */
    boolean[] wanted(Set<String> harmful) {
        boolean[] wanted = able.clone();
        for (int i = 0; i < wanted.length; i++) {
            wanted[i] |= harmful.contains(causes.get(i).code());
        }
        return wanted;
    }

    /** Itself, or by what it brings about. */
    private boolean showsSomething(Cause cause) {
        Set<String> able = new HashSet<>(Set.of(cause.code()));
        boolean grew = true;
        while (grew) {
            grew = false;
            for (Links.Lead l : odds.links().leads()) {
                grew |= able.contains(l.from()) && able.add(l.to());
            }
        }
        return evidence.symptoms().isEmpty()
                || causes.stream().filter(c -> able.contains(c.code())).anyMatch(c -> evidence.symptoms().stream()
                        .anyMatch(s -> shows(c, s) > 0));
    }

    private double[] own(double[] shares) {
        double[] chances = new double[causes.size()];
        for (int i = 0; i < chances.length; i++) {
            double chance = -Math.expm1(-odds.links().together() * shares[i]);
            double ratio = chance / (1 - chance);
            for (Fact fact : history) {
                ratio *= fact.ratios()[i];
            }
            chances[i] = ratio / (1 + ratio);
        }
        return chances;
    }

    // ---- checks

    private void checks() {
        Looks looks = new Looks(odds, evidence, crushed);
        for (Evidence.Done done : evidence.checks()) {
            Check check = knowledge.check(done.check()).orElseThrow();
            if (check.answers() == Check.Answer.SIDE) {
                side(check, done);
            } else {
                others.add(new Fact(
                        "check:" + check.code(), words(check, done), looks.ratios(check, done.found(), causes)));
            }
        }
    }

    /** MACHINE is one more finding, which machine causes show; JOB is its absence. */
    private void side(Check check, Evidence.Done done) {
        if (done.found().isEmpty()) {
            return;
        }
        double[] shows = saysMachine(check);
        if (done.found().get(0).equals("MACHINE")) {
            findings.add(new Finding("check:" + check.code(), words(check, done), shows, leak(check), false));
        } else {
            others.add(new Fact(
                    "check:" + check.code(),
                    words(check, done),
                    Arrays.stream(shows).map(w -> 1 - w).toArray()));
        }
    }

    /** Chance that each cause, where it is there, makes this check answer MACHINE. */
    double[] saysMachine(Check check) {
        boolean moved = check.code().equals("move-job");
        Predicate<Cause> tells =
                moved ? c -> odds.placed().contains(c.code()) : c -> !odds.job().contains(c.code());
        return each(c -> tells.test(c) ? moved ? PLACED_IS_LEFT : MACHINE_SHOWS_ON_PIECE : 0);
    }

    double leak(Check check) {
        return check.code().equals("move-job") ? LEFT_BY_CHANCE : JOB_BLAMES_MACHINE;
    }

    private String words(Check check, Evidence.Done done) {
        return check.name() + ": "
                + (done.found().isEmpty()
                        ? "nothing found"
                        : String.join(
                                ", ",
                                done.found().stream().map(knowledge::nameOf).toList()));
    }
}
