package keel.sim.world;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.core.profile.Setting;
import keel.core.standing.MachineKind;
import keel.sim.chance.Chance;
import org.hipparchus.util.FastMath;

/** One machine with everything that is true of it. */
public final class Machine {

    private static final double LEANS_PER_ROCK = 4;

    private final Site site;
    private final Parameters parameters;
    private final Cells cells;
    private final Chance chance;
    private final Plate plate;
    private final Vat vat;
    private Screen screen;
    private Light light;
    private final Quirks quirks;
    private final Map<String, Map<Setting, Double>> profiles = new HashMap<>();
    private final Map<String, Double> exposureNeed = new HashMap<>();
    private final Map<String, Double> bottomNeed = new HashMap<>();
    private final Map<String, Integer> runsOfResin = new HashMap<>();
    private final Map<String, Integer> fitted = new HashMap<>();
    private double dryAtHours;
    private double hoursSinceGreased;
    private double rockingMm;
    private double leansAcross;
    private double leansAlong;
    private double stickCopies;
    private double stickFailsAt;
    private double printHours;
    private boolean scaleChecked;

    public Machine(Site site, Parameters parameters, Chance chance) {
        this.site = site;
        this.parameters = parameters;
        this.chance = chance;
        this.cells = Cells.of(site.widthMm(), site.depthMm());
        this.plate = new Plate(cells, parameters.plate(), chance.stream("plate"));
        this.plate.level(site.selfLevelling(), false);
        this.vat = new Vat(parameters.vat(), film(false, false), site.resin(), 0, chance.stream("vat"));
        this.vat.film().age(site.before().filmHours(), 0.27);
        this.screen = site.kind().hasScreen() ? freshScreen() : null;
        if (screen != null) {
            screen.age(site.before().screenUvHours());
        }
        this.light = new Light(cells, parameters.light(), site.before().lightHours() * 0.27, chance.stream("light"));
        Chance own = chance.stream("quirks");
        this.quirks = new Quirks(
                site.kind().hasScreen() && own.happens(0.3),
                own.happens(0.25),
                own.happens(0.15) ? 1 + own.normal(0, 0.012) : 1 + own.normal(0, 0.001));
        grease();
        this.hoursSinceGreased = own.between(10, 150);
        newStick();
        site.sheets().forEach((resin, sheet) -> {
            double sd = parameters.resins().get(resin).machineSd();
            profiles.put(resin, new EnumMap<>(sheet));
            exposureNeed.put(resin, chance.stream("need " + resin).logNormal(1, sd));
            bottomNeed.put(resin, chance.stream("base " + resin).logNormal(1, sd));
        });
    }

    // ---- what is replaced

    private Film film(boolean slack, boolean dented) {
        int number = fitted.merge("film", 1, Integer::sum);
        return new Film(
                cells,
                parameters.film(),
                site.kind() == MachineKind.LASER_TANK,
                slack,
                dented,
                chance.stream("film", number));
    }

    private Screen freshScreen() {
        return new Screen(cells, parameters.screen(), chance.stream("screen", fitted.merge("screen", 1, Integer::sum)));
    }

    public void changeFilm(boolean carelessly) {
        Chance fitting = chance.stream("fitting", fitted.getOrDefault("film", 0));
        boolean slack = site.kind() != MachineKind.LASER_TANK
                && fitting.happens(parameters.film().fittedSlackChance() * (carelessly ? 3 : 1));
        vat.fit(film(slack, fitting.happens(parameters.film().dentedSheetChance())));
        vat.sieve(1);
        handleVat(carelessly ? 3 : 1);
    }

    public void changeScreen() {
        screen = freshScreen();
        screen.connect(!chance.stream("ribbon", fitted.get("screen"))
                .happens(parameters.screen().ribbonSlips()));
        handleVat(1);
    }

    /** Lifted out and put back; what drips may reach the screen. */
    public void handleVat(double carelessness) {
        boolean wetBefore = vat.wetOutside();
        vat.handle(carelessness);
        if (vat.wetOutside() && !wetBefore && screen != null) {
            screen.wetAt(chance.stream("splash", (long) (printHours * 100)).below(cells.count()), 9);
        }
    }

    public void grease() {
        hoursSinceGreased = 0;
        dryAtHours = chance.stream("grease", (long) (printHours * 100))
                .weibull(parameters.axis().dryShape(), parameters.axis().dryScaleH());
    }

    public void newStick() {
        stickCopies = 0;
        stickFailsAt = chance.stream("stick", (long) (printHours * 100))
                .weibull(parameters.stick().failsShape(), parameters.stick().failsScaleCopies());
    }

    // ---- what time and use do

    /** A print is over: everything that it passed through has aged by it. */
    public void printed(double hours, double uvHours, long layers, int[] covered, double roomC) {
        double factor = plate.burr() ? parameters.film().burrFactor() : 1;
        vat.film().print(covered, hours, uvHours, layers, factor);
        if (vat.bits() > 0) {
            double bite = chance.stream("bite", (long) (printHours * 100))
                            .exponential(parameters.film().debrisHoursPerPrint())
                    * vat.bits();
            vat.film().wear(bite, vat.bitsAt().length == 0 ? covered : vat.bitsAt());
            if (bite > parameters.film().debrisHoursPerPrint()) {
                vat.film().dent();
            }
        }
        if (screen != null) {
            screen.light(uvHours, roomC + 6);
            screen.cure(covered);
        }
        light.burn(uvHours);
        plate.print(hours);
        hoursSinceGreased += hours;
        printHours += hours;
        runsOfResin.merge(vat.resin(), 1, Integer::sum);
    }

    public void changeLight() {
        light = new Light(cells, parameters.light(), 0, chance.stream("light", (long) printHours));
    }

    public void copied() {
        stickCopies++;
    }

    public void daysPass(double days, Chance day) {
        vat.rest(days);
        if (day.happens(days / parameters.stance().slipsInDays())) {
            rockingMm = FastMath.abs(day.normal(0, parameters.stance().rockingSdMm()));
            leansAcross = day.normal(0, LEANS_PER_ROCK * rockingMm);
            leansAlong = day.normal(0, LEANS_PER_ROCK * rockingMm);
        }
    }

    public void standFirm() {
        rockingMm = 0;
        leansAcross = 0;
        leansAlong = 0;
    }

    public void set(String resin, Map<Setting, Double> changes) {
        profiles.get(resin).putAll(changes);
    }

    public void checkScale() {
        scaleChecked = true;
    }

    // ---- what is so

    /** Layer exposure that this machine needs for the resin through a clear film with a new light, s. */
    public double neededExposureS(String resin) {
        return 0.8 * sheet(resin).get(Setting.EXPOSURE_S) * exposureNeed.get(resin);
    }

    /** Bottom exposure that it needs, s. */
    public double neededBottomExposureS(String resin) {
        return 0.7 * sheet(resin).get(Setting.BOTTOM_EXPOSURE_S) * bottomNeed.get(resin);
    }

    public Map<Setting, Double> sheet(String resin) {
        return site.sheets().get(resin);
    }

    /** Settings in force for what is in the vat. */
    public Map<Setting, Double> settings() {
        return Collections.unmodifiableMap(profiles.get(vat.resin()));
    }

    /** Whether somebody has moved the exposure away from the maker's sheet. */
    public boolean moved(Setting setting) {
        return FastMath.abs(FastMath.log(
                        settings().get(setting) / sheet(vat.resin()).get(setting)))
                > 0.02;
    }

    public int runsOfResin() {
        return runsOfResin.getOrDefault(vat.resin(), 0);
    }

    public double drynessOfZ() {
        return hoursSinceGreased / dryAtHours;
    }

    public double hoursSinceGreased() {
        return hoursSinceGreased;
    }

    public boolean stickWorn() {
        return stickCopies > stickFailsAt;
    }

    /** Rise of the base to the right, mm per metre. */
    public double leansAcrossMmPerM() {
        return leansAcross;
    }

    /** Rise of the base to the back, mm per metre. */
    public double leansAlongMmPerM() {
        return leansAlong;
    }

    public double rockingMm() {
        return rockingMm;
    }

    public boolean scaleChecked() {
        return scaleChecked;
    }

    /** What it has suffered: codes of causes that ruin the next print or the screen. */
    public List<String> harms() {
        List<String> harms = new ArrayList<>();
        if (vat.film().pierced()) {
            harms.add("film-pierced");
        }
        if (screen != null && screen.resinAnywhere()) {
            harms.add("resin-on-screen");
        }
        if (screen != null && (screen.patchAnywhere() || screen.spots().stream().anyMatch(s -> !s.lit()))) {
            harms.add("screen-dark-pixels");
        }
        if (vat.bits() > 0) {
            harms.add("debris-on-film");
        }
        return harms;
    }

    public Site site() {
        return site;
    }

    public Cells cells() {
        return cells;
    }

    public Plate plate() {
        return plate;
    }

    public Vat vat() {
        return vat;
    }

    /** Null where the machine has none. */
    public Screen screen() {
        return screen;
    }

    public Light light() {
        return light;
    }

    public Quirks quirks() {
        return quirks;
    }

    public double printHours() {
        return printHours;
    }
}
