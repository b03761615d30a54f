package keel.demo;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.app.prints.Calibrations;
import keel.app.prints.LookIns;
import keel.app.prints.ProfileView;
import keel.app.prints.Profiles;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.starting.GateQuestions;
import keel.core.exposure.WorkingCurve;
import keel.core.placement.Footprint;
import keel.core.profile.Setting;
import keel.sim.shop.Happening;
import org.springframework.stereotype.Component;

/** Prints: runs, looks at them, and the settings they were printed with. */
@Component
class PrintsChapter implements Chapter {

    private final Runs runs;
    private final LookIns lookIns;
    private final Profiles profiles;
    private final Calibrations calibrations;
    private final GateQuestions questions;
    private final StoryKeys keys;

    PrintsChapter(
            Runs runs,
            LookIns lookIns,
            Profiles profiles,
            Calibrations calibrations,
            GateQuestions questions,
            StoryKeys keys) {
        this.runs = runs;
        this.lookIns = lookIns;
        this.profiles = profiles;
        this.calibrations = calibrations;
        this.questions = questions;
        this.keys = keys;
    }

    @Override
    public void tell(Telling telling) {
        telling.on(Happening.RunDone.class, this::done);
        telling.on(Happening.RunGoing.class, this::going);
        telling.on(Happening.PrintedAgain.class, a -> runs.printsAgain(keys.run(a.runKey()), keys.run(a.ofRunKey())));
        telling.on(
                Happening.LookedIn.class,
                l -> lookIns.look(runs.last(l.machine()).orElseThrow(), l.seen(), false));
        telling.on(Happening.GateAsks.class, q -> questions.add(q.text(), q.part(), Set.copyOf(q.kinds())));
        telling.on(Happening.ProfileBegun.class, b -> profiles.begin(b.machine(), b.resin(), b.settings(), b.school()));
        telling.on(Happening.ProfileChanged.class, this::changeProfile);
        telling.on(Happening.ThicknessMeasured.class, this::curve);
    }

    /** What the whole would have taken, to the millilitre, where people write down what went in. */
    private static double planned(Happening.RunDone r) {
        return r.reachedLayer() == null
                ? r.resinMl()
                : Math.round(r.resinMl() * r.layers() / Math.max(1, r.reachedLayer()));
    }

    private void done(Happening.RunDone r) {
        RunEntry entry = new RunEntry(
                r.machine(),
                r.job(),
                r.startedAt(),
                r.at(),
                r.layers(),
                r.layerExposureS(),
                planned(r),
                r.outcome(),
                r.reachedLayer(),
                null,
                null,
                null,
                new Footprint.Parts(r.footprint()),
                r.resinMl(),
                null);
        keys.run(r.key(), runs.enter(entry).id());
    }

    private void going(Happening.RunGoing r) {
        runs.enter(new RunEntry(
                r.machine(),
                r.job(),
                r.at(),
                null,
                r.layers(),
                r.layerExposureS(),
                r.resinMl(),
                null,
                null,
                null,
                null,
                null,
                new Footprint.Parts(r.footprint()),
                null,
                null));
    }

    private void changeProfile(Happening.ProfileChanged c) {
        if (c.backTo() != null) {
            profiles.backTo(c.machine(), c.resin(), c.backTo(), c.why());
            return;
        }
        ProfileView now = profiles.of(c.machine(), c.resin());
        Map<Setting, Double> settings = new EnumMap<>(now.current().settings().values());
        settings.putAll(c.changes());
        profiles.change(c.machine(), c.resin(), settings, c.why(), now.current().number());
    }

    private void curve(Happening.ThicknessMeasured t) {
        List<WorkingCurve.Point> points = t.depthMm().entrySet().stream()
                .map(e -> new WorkingCurve.Point(e.getKey(), e.getValue()))
                .toList();
        calibrations.keep(profiles.of(t.machine(), t.resin()), points, WorkingCurve.fit(points));
    }
}
