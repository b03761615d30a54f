package keel.app.prints;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Set;
import keel.core.run.Detail;
import keel.core.run.Outcome;
import keel.core.run.RunFacts;
import keel.core.run.RunNumber;

/** A run as its latest entry has it; every earlier reading stays in the logbook. */
@Entity
class Run {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long machineId;
    String job;
    Instant startedAt;
    Instant endedAt;
    int layers;

    @Column(name = "layer_exposure_s")
    double layerExposureS;

    double resinMl;

    @Enumerated(EnumType.STRING)
    Outcome outcome;

    Integer reachedLayer;
    Double measuredMl;
    Long profileVersionId;
    Long againOf;

    @Enumerated(EnumType.STRING)
    Detail detail;

    boolean layersGuessed;
    boolean exposureGuessed;
    boolean resinGuessed;
    boolean withdrawn;

    @Version
    int version;

    /** What it really did up to the layer it reached, reckoned by the database; null while it goes on. */
    @Column(insertable = false, updatable = false)
    Double hours;

    @Column(insertable = false, updatable = false)
    Double uvHours;

    @Column(insertable = false, updatable = false)
    Long peels;

    @Column(insertable = false, updatable = false)
    Double usedMl;

    @Column(insertable = false, updatable = false)
    Boolean cameOut;

    RunFacts facts() {
        return new RunFacts(
                job, startedAt, endedAt, layers, layerExposureS, resinMl, outcome, reachedLayer, measuredMl);
    }

    /** What was not known and is reckoned from how long it went. */
    void guessed(Set<RunNumber> guessed) {
        layersGuessed = guessed.contains(RunNumber.LAYERS);
        exposureGuessed = guessed.contains(RunNumber.EXPOSURE);
        resinGuessed = guessed.contains(RunNumber.RESIN);
    }

    /** What somebody says otherwise than it stands is known from then on. */
    void known(RunFacts said) {
        layersGuessed &= said.layers() == layers;
        exposureGuessed &= said.layerExposureS() == layerExposureS;
        resinGuessed &= said.resinMl() == resinMl;
    }

    void take(RunFacts facts) {
        job = facts.job().strip();
        startedAt = facts.startedAt();
        endedAt = facts.endedAt();
        layers = facts.layers();
        layerExposureS = facts.layerExposureS();
        resinMl = facts.resinMl();
        outcome = facts.outcome();
        reachedLayer = facts.reachedLayer();
        measuredMl = facts.measuredMl();
    }
}
