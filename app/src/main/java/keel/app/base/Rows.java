package keel.app.base;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;

/** Moments of a row, and moments for one; null stays null. */
public final class Rows {

    private Rows() {}

    public static Instant instant(ResultSet row, int column) throws SQLException {
        return instant(row.getObject(column, OffsetDateTime.class));
    }

    public static Instant instant(ResultSet row, String column) throws SQLException {
        return instant(row.getObject(column, OffsetDateTime.class));
    }

    public static Instant instant(OffsetDateTime at) {
        return at == null ? null : at.toInstant();
    }

    public static OffsetDateTime time(Instant at) {
        return at == null ? null : at.atOffset(ZoneOffset.UTC);
    }
}
