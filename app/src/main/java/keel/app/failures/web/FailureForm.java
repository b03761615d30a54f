package keel.app.failures.web;

import java.util.List;
import keel.app.base.Refused;
import keel.app.failures.FailureEntry;
import keel.app.failures.FailureView;
import keel.app.fleet.ShopTime;
import keel.core.Findings;

/** What stands in the form of a failure, as it was typed. */
record FailureForm(
        String machine,
        Long run,
        String seenAt,
        List<String> symptoms,
        List<String> absent,
        List<String> zones,
        String note,
        Integer version,
        String reason,
        Boolean withdrawn,
        Boolean another) {

    FailureForm {
        symptoms = symptoms == null ? List.of() : symptoms;
        absent = absent == null ? List.of() : absent;
        zones = zones == null ? List.of() : zones;
    }

    /** Nothing said yet. */
    static FailureForm nothing() {
        return new FailureForm(null, null, "", null, null, null, "", null, "", null, null);
    }

    static FailureForm of(FailureView f, ShopTime times) {
        return new FailureForm(
                f.machine(),
                f.run(),
                times.field(f.seenAt()),
                f.symptoms(),
                f.absent(),
                f.zones(),
                f.note(),
                f.version(),
                "",
                f.withdrawn(),
                null);
    }

    /** @throws Refused if the time cannot be read */
    FailureEntry entry(ShopTime times) {
        Findings findings = new Findings();
        var at = times.readOrEntered(seenAt, "seenAt", findings);
        Refused.unless(findings);
        return new FailureEntry(machine, run, at, symptoms, absent, zones, note);
    }
}
