package keel.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.flywaydb.core.Flyway;
import org.h2.jdbcx.JdbcDataSource;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.JdbcTemplate;

/** Records of every released schema open: a row in every table there was, with no more in it than it must have. */
class EverySchemaTest {

    private static final String MOMENT = "timestamp with time zone '2026-01-02 08:00:00+00'";

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void aRowInEveryTableIsStillThereInTheLatest(int version) {
        JdbcDataSource database = new JdbcDataSource();
        database.setURL("jdbc:h2:mem:schema-" + version + ";DB_CLOSE_DELAY=-1");
        migrate(database, Integer.toString(version));
        JdbcTemplate jdbc = new JdbcTemplate(database);
        jdbc.execute("set referential_integrity false");
        List<String> tables = tables(jdbc);
        tables.forEach(table -> fill(jdbc, table));
        jdbc.execute("set referential_integrity true");
        migrate(database, "latest");
        Map<String, Integer> rows = new LinkedHashMap<>();
        tables(jdbc).stream()
                .filter(tables::contains)
                .forEach(t -> rows.put(t, jdbc.queryForObject("select count(*) from \"" + t + "\"", Integer.class)));
        assertThat(rows)
                .hasSameSizeAs(tables)
                .allSatisfy((table, n) -> assertThat(n).as(table).isPositive());
    }

    private static void migrate(JdbcDataSource database, String target) {
        Flyway.configure().dataSource(database).target(target).load().migrate();
    }

    private static List<String> tables(JdbcTemplate jdbc) {
        return jdbc.queryForList(
                "select table_name from information_schema.tables where table_schema = 'PUBLIC' "
                        + "and table_type = 'BASE TABLE' and table_name <> 'flyway_schema_history' order by table_name",
                String.class);
    }

    private static void fill(JdbcTemplate jdbc, String table) {
        List<String> columns = new ArrayList<>();
        List<String> values = new ArrayList<>();
        jdbc.query(
                """
                select column_name, data_type from information_schema.columns where table_schema = 'PUBLIC'
                and table_name = ? and is_nullable = 'NO' and column_default is null and is_identity = 'NO'""",
                row -> {
                    columns.add("\"" + row.getString(1) + "\"");
                    values.add(value(row.getString(2)));
                },
                table);
        Integer already = jdbc.queryForObject("select count(*) from \"" + table + "\"", Integer.class);
        if (already == 0) {
            String into = columns.isEmpty()
                    ? " default values"
                    : columns.stream().collect(Collectors.joining(", ", " (", ")"));
            String what = columns.isEmpty() ? "" : values.stream().collect(Collectors.joining(", ", " values (", ")"));
            jdbc.update("insert into \"" + table + "\"" + into + what);
        }
    }

    private static String value(String type) {
        return switch (type) {
            case "BOOLEAN" -> "false";
            case "TIMESTAMP WITH TIME ZONE" -> MOMENT;
            case "DATE" -> "date '2026-01-02'";
            case "CHARACTER VARYING", "CHARACTER LARGE OBJECT", "CHARACTER" -> "'x'";
            case "BINARY VARYING", "BINARY LARGE OBJECT" -> "X'00'";
            default -> "1";
        };
    }
}
