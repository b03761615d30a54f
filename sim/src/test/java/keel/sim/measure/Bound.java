package keel.sim.measure;

import com.oracle.labs.mlrg.olcut.util.Pair;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import keel.core.diagnosis.Evidence;
import org.tribuo.Example;
import org.tribuo.Model;
import org.tribuo.MutableDataset;
import org.tribuo.classification.Label;
import org.tribuo.classification.LabelFactory;
import org.tribuo.classification.xgboost.XGBoostClassificationTrainer;
import org.tribuo.impl.ArrayExample;
import org.tribuo.provenance.SimpleDataSourceProvenance;

/**
 * How good anybody could be: boosted trees (Chen & Guestrin 2016, in Tribuo) that were shown tens of thousands of
 * failures of the same simulated shop with the true cause of each. A bound, not a rival: no shop has that.
 */
final class Bound {

    private static final int ROUNDS = 60;
    private static final double RATE = 0.15;
    private static final int DEPTH = 5;
    private static final double SHARE_OF_ROWS = 0.8;
    private static final double SHARE_OF_FACTS = 0.5;

    private final Model<Label> model;

    private Bound(Model<Label> model) {
        this.model = model;
    }

    /** @param told what is known of each case; the same for training as for asking */
    static Bound of(List<Cases.Case> cases, Function<Cases.Case, Evidence> told) {
        LabelFactory labels = new LabelFactory();
        MutableDataset<Label> data =
                new MutableDataset<>(new SimpleDataSourceProvenance("simulated failures", labels), labels);
        for (Cases.Case c : cases) {
            data.add(example(told.apply(c), c.truth().causes().get(0)));
        }
        return new Bound(new XGBoostClassificationTrainer(
                        ROUNDS, RATE, 0, DEPTH, 1, SHARE_OF_ROWS, SHARE_OF_FACTS, 1, 0, 2, true, 7)
                .train(data));
    }

    private static Example<Label> example(Evidence evidence, String cause) {
        Map<String, Double> facts = new TreeMap<>();
        facts.put("some", 1.0);
        evidence.symptoms().forEach(s -> facts.put("symptom " + s, 1.0));
        evidence.absent().forEach(s -> facts.put("symptom " + s, -1.0));
        evidence.history().forEach(h -> facts.put("history " + h, 1.0));
        for (Evidence.Done d : evidence.checks()) {
            facts.put("look " + d.check(), d.found().isEmpty() ? -1.0 : 1.0);
            d.found().forEach(f -> facts.put("look " + d.check() + " " + f, 1.0));
        }
        return new ArrayExample<>(
                new Label(cause),
                facts.keySet().toArray(String[]::new),
                facts.values().stream().mapToDouble(Double::doubleValue).toArray());
    }

    /** All causes that it has ever seen, the likeliest first, with their probabilities. */
    List<Pair<String, Double>> of(Evidence evidence) {
        List<Pair<String, Double>> causes = new ArrayList<>();
        model.predict(example(evidence, "unknown"))
                .getOutputScores()
                .forEach((cause, label) -> causes.add(new Pair<>(cause, label.getScore())));
        causes.sort(
                Comparator.comparingDouble((Pair<String, Double> p) -> p.getB()).reversed());
        return causes;
    }

    /** Share of cases with a true cause among the first so many. */
    double within(int first, List<Cases.Case> cases, Function<Cases.Case, Evidence> told) {
        long right = cases.stream()
                .filter(c -> of(told.apply(c)).stream().limit(first).anyMatch(p -> c.right(p.getA())))
                .count();
        return (double) right / cases.size();
    }
}
