package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A machine with its model and its room. */
@Entity
@Immutable
@Synchronize({"machine", "machine_model", "room"})
public class MachineCard {

    @Id
    long id;

    String code;
    String name;
    Instant since;
    double baselineHours;
    Instant retiredAt;
    boolean levelsAfterEachPrint;
    String levellingSchool;
    String controller;
    long modelId;
    String modelCode;
    String modelName;

    @Enumerated(EnumType.STRING)
    MachineKind kind;

    double plateWidthMm;
    double plateDepthMm;
    double plateHeightMm;
    Double fillLineMl;
    boolean selfLevelling;
    boolean wholeAreaLight;

    @Enumerated(EnumType.STRING)
    LevelJoint levelJoint;

    long roomId;
    String roomCode;
    String roomName;

    public long id() {
        return id;
    }

    public String code() {
        return code;
    }

    public String name() {
        return name;
    }

    public Instant since() {
        return since;
    }

    public double baselineHours() {
        return baselineHours;
    }

    public Instant retiredAt() {
        return retiredAt;
    }

    public boolean levelsAfterEachPrint() {
        return levelsAfterEachPrint;
    }

    public String levellingSchool() {
        return levellingSchool;
    }

    public String controller() {
        return controller;
    }

    public long modelId() {
        return modelId;
    }

    public String modelCode() {
        return modelCode;
    }

    public String modelName() {
        return modelName;
    }

    public MachineKind kind() {
        return kind;
    }

    public double plateWidthMm() {
        return plateWidthMm;
    }

    public double plateDepthMm() {
        return plateDepthMm;
    }

    public double plateHeightMm() {
        return plateHeightMm;
    }

    public Double fillLineMl() {
        return fillLineMl;
    }

    public boolean selfLevelling() {
        return selfLevelling;
    }

    public boolean wholeAreaLight() {
        return wholeAreaLight;
    }

    public LevelJoint levelJoint() {
        return levelJoint;
    }

    public long roomId() {
        return roomId;
    }

    public String roomCode() {
        return roomCode;
    }

    public String roomName() {
        return roomName;
    }
}
