package keel.app.air;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import keel.app.base.Typed;

/** What is known of the air of a room; {@code path} is what was planned for it, as JSON. */
@Entity
@Table(name = "room_air")
class RoomAirRecord {

    @Version
    int version;

    @Id
    long roomId;

    @Column(name = "volume_m3")
    Double volumeM3;

    Double mixing;

    @Column(name = "low_c")
    Double lowC;

    @Column(name = "high_c")
    Double highC;

    String openings;
    boolean washes;
    Double tvocLimitPpb;
    String path;
    Double plannedChanges;

    RoomAir.Described described() {
        return new RoomAir.Described(volumeM3, mixing, lowC, highC, openings, washes, tvocLimitPpb);
    }

    void take(RoomAir.Described d) {
        volumeM3 = d.volumeM3();
        mixing = d.mixingFactor();
        lowC = d.lowC();
        highC = d.highC();
        openings = Typed.orNull(d.openings());
        washes = d.washes();
        tvocLimitPpb = d.tvocLimitPpb();
    }
}
