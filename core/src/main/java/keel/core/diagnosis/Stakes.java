package keel.core.diagnosis;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import keel.core.CheckedYaml;
import keel.core.knowledge.Tuning;
import keel.core.standing.Defaults;

/**
 * What is at stake in a failure, in the shop's money: what mending a cause costs, what it costs to leave it and print
 * again, and what a harm costs that nobody looked for. From the shop's own figures; minutes are common practice, no
 * source.
 *
 * @param perHour what an hour of looking costs: work, and a machine that stands
 * @param reprint what a reprint that fails again costs
 * @param mends what mending costs, by cause
 * @param left share of reprints that fail where a cause is left, by cause
 * @param lasting causes that end a part
 * @param harms what a harm costs that is left unseen, by cause
 * @param look what a look for a harm costs
 * @param spends what a check uses up besides time, by check
 */
public record Stakes(
        double perHour,
        double reprint,
        Map<String, Double> mends,
        Map<String, Double> left,
        Set<String> lasting,
        Map<String, Double> harms,
        double look,
        Map<String, Double> spends) {

    private static final double USUAL_MEND_MINUTES = 10;

    /** With the figures that ship with the product. */
    public static Stakes shipped() {
        return of(Defaults.shipped());
    }

    /** With the shop's own figures. */
    public static Stakes of(Defaults defaults) {
        return of(defaults, Tuning.NONE);
    }

    /** The same with the minutes to mend as the owner tuned them. */
    public static Stakes of(Defaults defaults, Tuning tuning) {
        return of(File.SHIPPED, defaults, tuning);
    }

    /** Minutes that mending a cause takes, as they ship. */
    public static double minutesToMend(String cause) {
        return File.SHIPPED.get("minutes").path(cause).asDouble(USUAL_MEND_MINUTES);
    }

    /** Read and checked once. */
    private static final class File {

        static final JsonNode SHIPPED = checked(CheckedYaml.shipped("knowledge/stakes"));

        private static JsonNode checked(JsonNode file) {
            CheckedYaml.requireSchema("knowledge/stakes", file);
            return file;
        }
    }

    private static Stakes of(JsonNode file, Defaults d, Tuning tuning) {
        double labour = d.value("labour.perHour");
        double perHour = labour + d.value("machine.hourValue");
        Prices prices = new Prices(d);
        Map<String, Double> mends = new HashMap<>();
        file.get("minutes")
                .properties()
                .forEach(e -> mends.put(e.getKey(), e.getValue().asDouble() / 60 * perHour));
        tuning.mends().forEach((cause, minutes) -> mends.put(cause, minutes / 60 * perHour));
        file.get("parts")
                .properties()
                .forEach(e -> mends.merge(e.getKey(), prices.part(e.getValue().asText()), Double::sum));
        Map<String, Double> left = new HashMap<>();
        CheckedYaml.strings(file.get("caught"))
                .forEach(c -> left.put(c, file.get("caughtFails").asDouble()));
        left.put("", file.get("fails").asDouble());
        Map<String, Double> harms = new HashMap<>();
        file.get("harms")
                .properties()
                .forEach(e -> harms.put(e.getKey(), prices.harm(e.getValue().asText())));
        Map<String, Double> spends = new HashMap<>();
        file.get("spends")
                .properties()
                .forEach(e -> spends.put(e.getKey(), e.getValue().asDouble()));
        return new Stakes(
                perHour,
                prices.reprint(),
                Map.copyOf(mends),
                Map.copyOf(left),
                names(file.get("parts")),
                Map.copyOf(harms),
                file.get("lookMinutes").asDouble() / 60 * perHour,
                Map.copyOf(spends));
    }

    private static Set<String> names(JsonNode object) {
        Set<String> names = new HashSet<>();
        object.fieldNames().forEachRemaining(names::add);
        return Set.copyOf(names);
    }

    /** What things cost by the shop's figures. */
    private record Prices(Defaults d) {

        double reprint() {
            return d.value("film.lostResin")
                    + d.value("film.lostHours") * d.value("machine.hourValue")
                    + work(d.value("film.cleanMinutes"));
        }

        double part(String kind) {
            return d.value(kind + ".price") + d.value(kind + ".consumables");
        }

        /** A part with its change and the hours lost, or a reprint. */
        double harm(String kind) {
            return kind.equals("reprint")
                    ? reprint()
                    : part(kind)
                            + work(d.value(kind + ".changeMinutes"))
                            + d.value(kind + ".lostHours") * d.value("machine.hourValue");
        }

        private double work(double minutes) {
            return minutes / 60 * d.value("labour.perHour");
        }
    }

    double mend(String cause) {
        return mends.getOrDefault(cause, USUAL_MEND_MINUTES / 60 * perHour);
    }

    /**
     * What leaving it costs where it is there: the reprint that fails again, and for a part that has ended its change
     * all the same, only later.
     */
    double leaving(String cause) {
        double fails = left.getOrDefault(cause, left.getOrDefault("", 0.0));
        return fails * (reprint + (lasting.contains(cause) ? mend(cause) : 0));
    }

    /** 0 where it is none. */
    double harm(String cause) {
        return harms.getOrDefault(cause, 0.0);
    }

    /** Every cause that harms something while nobody looks. */
    Set<String> harmful() {
        return new HashSet<>(harms.keySet());
    }

    /**
     * The same for these causes, by their places.
     *
     * @param matters whether a cause can have begun this failure; what cannot is mended or left as before it
     */
    Of of(String[] causes, boolean[] matters) {
        double[] mend = new double[causes.length];
        double[] leaving = new double[causes.length];
        double[] harm = new double[causes.length];
        for (int i = 0; i < causes.length; i++) {
            mend[i] = mend(causes[i]);
            leaving[i] = matters[i] ? leaving(causes[i]) : 0;
            harm[i] = harm(causes[i]);
        }
        return new Of(mend, leaving, harm, look);
    }

    /** What is at stake, cause by cause. */
    record Of(double[] mend, double[] leaving, double[] harm, double look) {

        /**
         * What is expected to be lost by whoever acts on these chances at once: each cause is mended, or left,
         * whichever costs less; each harm is looked for, or left, likewise.
         */
        double expected(double[] present) {
            double sum = 0;
            for (int i = 0; i < present.length; i++) {
                double mended = Math.min(mend[i], present[i] * leaving[i]);
                double looked = Math.min(look, present[i] * harm[i]);
                sum += Math.max(mended, looked);
            }
            return sum;
        }
    }

    /** What a check of so many minutes costs. */
    double cost(String check, double minutes) {
        return minutes / 60 * perHour + spends.getOrDefault(check, 0.0);
    }
}
