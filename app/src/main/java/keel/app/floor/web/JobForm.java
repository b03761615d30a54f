package keel.app.floor.web;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import keel.app.base.Figures;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.ShopTime;
import keel.app.prints.JobEntry;
import keel.core.Findings;

/** A job that is wanted, as it is typed. */
record JobForm(
        String name,
        String hours,
        String resin,
        String resinMl,
        List<String> models,
        String dueAt,
        String widthMm,
        String depthMm,
        String heightMm,
        String note) {

    static final JobForm EMPTY = new JobForm("", "", "", "", List.of(), "", "", "", "", "");

    private static final Figures FIG = new Figures();

    JobForm {
        models = models == null ? List.of() : List.copyOf(models);
    }

    static JobForm of(JobEntry e, ShopTime times) {
        return new JobForm(
                e.name(),
                FIG.plain(e.hours()),
                e.resin() == null ? "" : e.resin(),
                FIG.plain(e.resinMl()),
                e.models(),
                times.field(e.dueAt()),
                FIG.plain(e.size().widthMm()),
                FIG.plain(e.size().depthMm()),
                FIG.plain(e.size().heightMm()),
                e.note() == null ? "" : e.note());
    }

    /** @throws Refused if something is no number, or no time */
    JobEntry read(ShopTime times) {
        Findings findings = new Findings();
        Double printed = Typed.hours(hours, "hours", findings);
        Double ml = Typed.number(resinMl, "resinMl", findings);
        Instant due = times.read(dueAt, "dueAt", findings);
        JobEntry.Size size = new JobEntry.Size(
                Typed.number(widthMm, "widthMm", findings),
                Typed.number(depthMm, "depthMm", findings),
                Typed.number(heightMm, "heightMm", findings));
        Refused.unless(findings);
        return new JobEntry(name, printed, Typed.orNull(resin), ml, new ArrayList<>(models), due, size, note);
    }
}
