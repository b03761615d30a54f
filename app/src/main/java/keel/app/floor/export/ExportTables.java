package keel.app.floor.export;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Tables as they stand, row by row. By hand in SQL and across all rooms on purpose: who leaves takes every column
 * along, those of tables never heard of here too. Secrets, keys of repeats and what is reckoned from the rest stay.
 */
@Component
class ExportTables {

    private static final Set<String> STAYS = Set.of(
            "flyway_schema_history",
            "api_token",
            "written_once",
            "meter",
            "machine_standing",
            "open_hold",
            "open_cause",
            "wear_map",
            "run_period",
            "sensor_rollup");
    private static final Map<String, Set<String>> SECRET = Map.of("person", Set.of("password_hash", "pin_hash"));

    private final JdbcClient jdbc;

    ExportTables(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A column: its name, and its type as data packages call it. */
    record Field(String name, String type) {}

    private record Described(String table, String column, String type) {}

    /** Tables with their columns, in the order of their names. */
    Map<String, List<Field>> tables() {
        List<Described> all = jdbc.sql(
                        """
                        select lower(c.table_name), lower(c.column_name), c.data_type
                        from information_schema.columns c join information_schema.tables t
                        on t.table_name = c.table_name and t.table_schema = c.table_schema
                        where c.table_schema = 'PUBLIC' and t.table_type = 'BASE TABLE'
                        order by c.table_name, c.ordinal_position""")
                .query((r, n) -> new Described(r.getString(1), r.getString(2), r.getString(3)))
                .list();
        return all.stream()
                .filter(d -> !STAYS.contains(d.table()))
                .filter(d -> !SECRET.getOrDefault(d.table(), Set.of()).contains(d.column()))
                .collect(Collectors.groupingBy(
                        Described::table,
                        LinkedHashMap::new,
                        Collectors.mapping(d -> new Field(d.column(), type(d.type())), Collectors.toList())));
    }

    private static String type(String sql) {
        String plain = sql.toUpperCase(Locale.ROOT);
        if (plain.startsWith("TIMESTAMP")) {
            return "datetime";
        }
        if (plain.startsWith("DOUBLE") || plain.startsWith("NUMERIC")) {
            return "number";
        }
        return switch (plain) {
            case "DATE" -> "date";
            case "BOOLEAN" -> "boolean";
            case "INTEGER", "BIGINT", "SMALLINT" -> "integer";
            default -> "string";
        };
    }

    /** Each row of a table as texts, null where nothing stands; the table and its columns come from {@link #tables}. */
    void rows(String table, List<Field> fields, Consumer<List<String>> each) {
        String columns = fields.stream().map(f -> quoted(f.name())).collect(Collectors.joining(", "));
        jdbc.sql("select " + columns + " from " + quoted(table) + " order by 1").query(row -> {
            String[] texts = new String[fields.size()];
            for (int i = 0; i < texts.length; i++) {
                texts[i] = text(row, i + 1, fields.get(i).type());
            }
            each.accept(Arrays.asList(texts));
        });
    }

    private static String quoted(String name) {
        return '"' + name.toUpperCase(Locale.ROOT) + '"';
    }

    private static String text(ResultSet row, int at, String type) throws SQLException {
        if (type.equals("datetime")) {
            OffsetDateTime moment = row.getObject(at, OffsetDateTime.class);
            return moment == null ? null : moment.toInstant().toString();
        }
        return row.getString(at);
    }
}
