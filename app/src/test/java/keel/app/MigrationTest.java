package keel.app;

import static org.assertj.core.api.Assertions.assertThat;

import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.h2.jdbcx.JdbcDataSource;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.JdbcTemplate;

/** Records that an earlier version wrote open in this one, with all that was in them. */
class MigrationTest {

    @Test
    void recordsOfTheFirstVersionOpen() {
        DataSource database = database("first");
        migrate(database, "1");
        JdbcTemplate jdbc = new JdbcTemplate(database);
        jdbc.update("insert into room (code, name) values ('loft', 'Loft')");
        jdbc.update(
                """
                insert into machine_model (code, name, kind, plate_width_mm, plate_depth_mm, plate_height_mm,
                release_kind, self_levelling, resin_sensing,
                  zero_at_top, self_filling, whole_area_light, level_joint)
                  values ('m', 'M', 'MASK', 144, 81, 175, 'PEEL', false, false, false, false, true, 'BALL')""");
        jdbc.update(
                """
                insert into machine (code, name, model_id, room_id, levels_after_each_print, levelling_school,
                since, baseline_hours, version)
                values ('heron', 'Heron', 1, 1, false, 'PAPER', timestamp with time zone '2026-01-01 00:00:00+00',
                0, 0)""");
        jdbc.update(
                """
                insert into run (machine_id, job, started_at, ended_at, layers, layer_exposure_s, resin_ml, outcome,
                withdrawn, version)
                values (1, 'Latch', timestamp with time zone '2026-01-02 08:00:00+00', timestamp with time zone
                '2026-01-02 12:00:00+00', 1000, 2, 50, 'GOOD', false, 0)""");
        migrate(database, "latest");
        assertThat(jdbc.queryForMap("select m.name, r.job, o.clamp_long from run r join machine m on m.id = "
                        + "r.machine_id join machine_model o on o.id = m.model_id"))
                .containsEntry("NAME", "Heron")
                .containsEntry("JOB", "Latch")
                .containsEntry("CLAMP_LONG", null);
        assertThat(jdbc.queryForObject("select count(*) from guide_session", Integer.class))
                .isZero();
    }

    @Test
    void recordsOfTheSecondVersionOpenAndLevellingsWithReadingsAreKnownAsSuch() {
        DataSource database = database("second");
        migrate(database, "2");
        JdbcTemplate jdbc = new JdbcTemplate(database);
        jdbc.update(
                """
                insert into service (kind, at, clean, emptied, leak, content, withdrawn) values
                  ('LEVELLING', timestamp with time zone '2026-01-02 08:00:00+00', false, false, false, \
                '{"school":"PAPER","readings":[{"xMm":1,"yMm":2,"zMm":0.1}]}', false),
                  ('LEVELLING', timestamp with time zone '2026-01-03 08:00:00+00', false, false, false, \
                '{"school":"PAPER"}', false)""");
        migrate(database, "latest");
        assertThat(jdbc.queryForList("select readings from service order by at", Boolean.class))
                .containsExactly(true, false);
        assertThat(jdbc.queryForObject("select count(*) from profile_version", Integer.class))
                .isZero();
    }

    @Test
    void aGuideThatWasOpenInTheFourthVersionIsStillOpenAndFilmsHaveNoPackYet() {
        DataSource database = database("fourth");
        migrate(database, "4");
        JdbcTemplate jdbc = new JdbcTemplate(database);
        jdbc.update("insert into person (sign_in, name, role, password_hash, active, created_at, version) values ('k', "
                + "'Kees', 'KEEPER', 'x', true, timestamp with time zone '2026-01-01 00:00:00+00', 0)");
        jdbc.update("insert into room (code, name) values ('loft', 'Loft')");
        jdbc.update(
                """
                insert into machine_model (code, name, kind, plate_width_mm, plate_depth_mm, plate_height_mm,
                release_kind, self_levelling, resin_sensing,
                  zero_at_top, self_filling, whole_area_light, level_joint)
                  values ('m', 'M', 'MASK', 144, 81, 175, 'PEEL', false, false, false, false, true, 'BALL')""");
        jdbc.update(
                """
                insert into machine (code, name, model_id, room_id, levels_after_each_print, levelling_school,
                since, baseline_hours, version)
                values ('heron', 'Heron', 1, 1, false, 'PAPER', timestamp with time zone '2026-01-01 00:00:00+00',
                0, 0)""");
        jdbc.update(
                """
                insert into component (kind, number, code, since, baseline_hours, baseline_uv_hours,
                baseline_layers, baseline_prints, withdrawn)
                values ('FILM', 1, 'F1', timestamp with time zone '2026-01-01 00:00:00+00', 120, 0, 0, 0, false)""");
        jdbc.update(
                """
                insert into guide_session (procedure_code, machine_id, step, bolts_done, answers, started_at, \
                started_by, touched_at, touched_by, version) values
                  ('film-change', 1, 'clamp', 5, '{"endReason":"SLACK"}', timestamp with time zone '2026-02-01 \
                00:00:00+00', 1, timestamp with time zone '2026-02-01 00:10:00+00', 1, 3)""");
        migrate(database, "latest");
        assertThat(jdbc.queryForMap("select machine_id, step, bolts_done from guide_session"))
                .containsEntry("MACHINE_ID", 1L)
                .containsEntry("STEP", "clamp")
                .containsEntry("BOLTS_DONE", 5);
        assertThat(jdbc.queryForMap("select code, baseline_hours, pack_id from component"))
                .containsEntry("CODE", "F1")
                .containsEntry("PACK_ID", null);
        assertThat(jdbc.queryForObject("select count(*) from guide_vat", Integer.class))
                .isZero();
    }

    private static void migrate(DataSource database, String target) {
        Flyway.configure()
                .dataSource(database)
                .locations("classpath:db/migration")
                .target(target)
                .load()
                .migrate();
    }

    private static DataSource database(String name) {
        JdbcDataSource source = new JdbcDataSource();
        source.setUrl("jdbc:h2:mem:migration-" + name + ";DB_CLOSE_DELAY=-1");
        return source;
    }
}
