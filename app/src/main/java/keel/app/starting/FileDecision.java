package keel.app.starting;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.preflight.FileFinding;

/** What somebody decided of something that was found in a file. */
@Entity
class FileDecision {

    private static final double SAME_MM = 0.5;

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String hash;

    @Enumerated(EnumType.STRING)
    FileFinding.Code code;

    int layer;

    @Column(name = "x_mm")
    double xMm;

    @Column(name = "y_mm")
    double yMm;

    boolean accepted;
    String reason;
    long personId;
    Instant decidedAt;
    Instant takenBackAt;

    boolean about(FileFinding f) {
        return code == f.code() && layer == f.layer() && Math.hypot(xMm - f.xMm(), yMm - f.yMm()) < SAME_MM;
    }
}
