package keel.app.base.once;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A write that came with a key; committed together with what it wrote. The answer follows, if it can be kept. */
@Entity
class WrittenOnce {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String who;
    String code;

    @JdbcTypeCode(SqlTypes.CHAR)
    String requestSum;

    Instant at;
    Integer status;
    String mediaType;
    String location;
    String body;
}
