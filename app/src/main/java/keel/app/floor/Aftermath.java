package keel.app.floor;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import keel.app.base.Refused;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.failures.FailureEntry;
import keel.app.failures.Failures;
import keel.app.prints.LookIns;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.stores.IncidentKind;
import keel.app.stores.Incidents;
import keel.core.Findings;
import keel.core.emergency.Emergency;
import keel.core.run.Outcome;
import keel.core.standing.HoldCode;
import keel.core.watch.Progress;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Writes down an emergency once it is over: the print that was stopped, what holds the machine, the incident. */
@Service
@Transactional
public class Aftermath {

    private static final int MOST_TEXT = 1000;
    /** The symptom, which raises the hold of the same name. */
    private static final String WET = HoldCode.WET_UNDER_VAT.code();

    private final Standings standings;
    private final Runs runs;
    private final LookIns lookIns;
    private final Failures failures;
    private final Bench bench;
    private final Incidents incidents;
    private final Clock clock;

    Aftermath(
            Standings standings,
            Runs runs,
            LookIns lookIns,
            Failures failures,
            Bench bench,
            Incidents incidents,
            Clock clock) {
        this.standings = standings;
        this.runs = runs;
        this.lookIns = lookIns;
        this.failures = failures;
        this.bench = bench;
        this.incidents = incidents;
        this.clock = clock;
    }

    /**
     * What is said afterwards.
     *
     * @param machine code, null or blank where none was concerned
     * @param who whom it happened to, null where nobody was hurt
     * @param eye whether it was an eye, of somebody who was hurt
     */
    public record Said(String machine, String who, boolean eye, String happened) {

        boolean atMachine() {
            return machine != null && !machine.isBlank();
        }
    }

    /**
     * Answers the page that leads on.
     *
     * @throws Refused if something is missing
     */
    public String write(Emergency.Writes writes, Said said) {
        Findings findings = new Findings();
        findings.text(said.happened(), MOST_TEXT, "happened", "What happened");
        boolean needsMachine =
                writes != Emergency.Writes.SPILL && writes != Emergency.Writes.HURT && writes != Emergency.Writes.SMOKE;
        findings.when(needsMachine && !said.atMachine(), "machine", "Say at which machine.");
        Refused.unless(findings);
        MachineNow m = said.atMachine() ? standings.of(said.machine()) : null;
        Long run = m == null || writes == Emergency.Writes.HURT ? null : stopped(m);
        return switch (writes) {
            case LEAK -> failure(m, run, WET, said);
            case SUN -> failure(m, run, "bits-in-vat", said);
            case FELL -> service(m, "PLATE_DROPPED", said);
            case POWER -> power(m, run);
            case SPILL -> {
                String page = incident(IncidentKind.SPILL, said);
                yield m == null ? page : failure(m, run, WET, said);
            }
            case SMOKE -> {
                String page = incident(IncidentKind.FIRE, said);
                yield m == null ? page : service(m, "OFF", said);
            }
            case HURT -> incident(said.eye() ? IncidentKind.EYES : IncidentKind.SKIN, said);
        };
    }

    /** Ends the print that goes on there, at the layer of the clock; null where none does. */
    private Long stopped(MachineNow m) {
        if (m.run() == null) {
            return null;
        }
        return runs.finish(m.run().id(), null, Outcome.STOPPED.name(), layer(m), null)
                .id();
    }

    /** By the clock; where nothing is known of its pace, as many as can have been lit since it began at the most. */
    private int layer(MachineNow m) {
        Progress progress = lookIns.progress(m);
        RunView run = runs.one(m.run().id());
        if (progress != null) {
            return Math.min(progress.layer(), run.layers());
        }
        double seconds = Duration.between(run.startedAt(), clock.instant()).toSeconds();
        return (int) Math.min(run.layers(), Math.max(0, seconds / Math.max(0.05, run.layerExposureS())));
    }

    private String failure(MachineNow m, Long run, String symptom, Said said) {
        return "/failures/"
                + failures.log(new FailureEntry(
                                m.code(), run, null, List.of(symptom), List.of(), List.of(), said.happened()))
                        .id();
    }

    private String service(MachineNow m, String kind, Said said) {
        bench.record(new ServiceEntry(m.code(), kind, null, said.happened(), Map.of()));
        return "/machines/" + m.code();
    }

    private static String power(MachineNow m, Long run) {
        if (run == null) {
            throw new Refused("machine", "Nothing prints on " + m.name() + " on record; there is nothing to end.");
        }
        return "/machines/" + m.code();
    }

    private String incident(IncidentKind kind, Said said) {
        incidents.write(new Incidents.Entry(kind.name(), null, said.who(), said.happened(), null));
        return "/incidents";
    }
}
