package keel.app.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Timestamp;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.standing.MachineNow;
import keel.app.standing.Rebuild;
import keel.app.standing.WearMaps;
import keel.app.starting.Plates;
import keel.app.support.AppTest;
import keel.app.support.TestShop;
import keel.core.placement.Footprint;
import keel.core.placement.PlacedPart;
import keel.core.placement.Placement;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Wear maps of one film and one screen of twenty thousand runs: summed anew, and kept up run by run, beside a plain
 * count of the same runs.
 */
@Tag("bench")
class WearBench extends AppTest {

    private static final int RUNS = 20_000;
    private static final int PARTS = 6;

    @Autowired
    private JdbcTemplate jdbc;

    @Autowired
    private Rebuild rebuild;

    @Autowired
    private WearMaps wear;

    @Autowired
    private Runs runs;

    @Autowired
    private Plates plates;

    @Autowired
    private TransactionTemplate transaction;

    @Test
    void wearMaps() {
        shop.people();
        shop.as("keeper");
        String code = shop.maskMachine();
        MachineNow machine = shop.now(code);
        addRuns(machine.id());
        Measured plain = Measured.seldom(
                "plain count of " + RUNS + " runs with their footprints",
                () -> jdbc.queryForObject(
                        "select count(*), sum(length(p.content)) from run r join run_footprint p on p.run_id = r.id",
                        (row, i) -> row.getLong(2)));
        List<Long> parts = List.of(machine.film().id(), machine.screen().id());
        Measured.seldom("maps of film and screen summed anew over " + RUNS + " runs of " + PARTS + " parts", () -> {
                    jdbc.update("delete from wear_map");
                    transaction.executeWithoutResult(t -> wear.follow(parts));
                })
                .beside(plain);
        assertThat(wear.of(machine.film().id()).orElseThrow().placedPrints()).isEqualTo(RUNS);
        int[] next = {0};
        Measured.seldom("maps kept up with one more run", () -> {
                    addRun(machine.id(), RUNS + 100 + next[0]++);
                    transaction.executeWithoutResult(t -> wear.follow(parts));
                })
                .beside(plain);
        transaction.executeWithoutResult(t -> rebuild.everything());
        Measured.seldom("one more run entered, everything that follows from it included", () -> {
                    double hour = 0.2 * RUNS + 100 + 0.3 * next[0]++;
                    runs.enter(new RunEntry(
                            code,
                            "Latch",
                            TestShop.at(hour),
                            TestShop.at(hour + 0.1),
                            10,
                            2.0,
                            5.0,
                            "GOOD",
                            null,
                            null,
                            null,
                            null,
                            footprint(new Random(next[0])),
                            null,
                            null));
                })
                .beside(plain);
        Measured.seldom(
                        "the plate with its advice for one footprint",
                        () -> plates.advise(plates.of(code), List.of(new Placement.Size(60, 40))))
                .beside(plain);
    }

    private void addRuns(long machine) {
        Random random = new Random(1);
        List<Object[]> rows = new ArrayList<>();
        List<Object[]> places = new ArrayList<>();
        Long last = jdbc.queryForObject("select coalesce(max(id), 0) from run", Long.class);
        for (int i = 0; i < RUNS; i++) {
            Timestamp start = Timestamp.from(TestShop.at(0.2 * i));
            rows.add(new Object[] {
                last + 1 + i, machine, start, Timestamp.from(start.toInstant().plusSeconds(400))
            });
            String parts = String.join(
                    ",",
                    footprint(random).parts().stream()
                            .map(p -> "[" + p.xMm() + "," + p.yMm() + "," + p.lengthMm() + "," + p.widthMm() + ",0]")
                            .toList());
            places.add(new Object[] {last + 1 + i, "{\"parts\":[" + parts + "]}", start});
        }
        jdbc.batchUpdate(
                "insert into run (id, machine_id, job, started_at, ended_at, layers, layer_exposure_s, resin_ml, "
                        + "outcome, withdrawn, version) "
                        + "values (?, ?, 'Latch', ?, ?, 100, 2.1, 50, 'GOOD', false, 0)",
                rows);
        jdbc.update("alter table run alter column id restart with " + (last + RUNS + 1));
        jdbc.batchUpdate(
                "insert into run_footprint (run_id, content, made_at, person_id) values (?, ?, ?, (select min(id) "
                        + "from person))",
                places);
        transaction.executeWithoutResult(status -> rebuild.everything());
    }

    /** As it stands after the meters followed and before the maps did. */
    private void addRun(long machine, int number) {
        Timestamp start = Timestamp.from(TestShop.at(0.2 * number));
        jdbc.update(
                "insert into run (machine_id, job, started_at, ended_at, layers, layer_exposure_s, resin_ml, "
                        + "outcome, withdrawn, version) values (?, 'Latch', ?, ?, 100, 3.6, 50, 'GOOD', false, 0)",
                machine,
                start,
                Timestamp.from(start.toInstant().plusSeconds(400)));
        jdbc.update(
                "insert into run_footprint (run_id, content, made_at, person_id) select max(id), "
                        + "'{\"parts\":[[70,40,30,20,0]]}', ?, (select min(id) from person) from run",
                start);
        jdbc.update(
                "update meter set prints = prints + 1, layers = layers + 100, uv_hours = uv_hours + 0.1 where scope "
                        + "= 'COMPONENT'");
    }

    private static Footprint.Parts footprint(Random random) {
        List<PlacedPart> parts = new ArrayList<>();
        for (int i = 0; i < PARTS; i++) {
            parts.add(new PlacedPart(
                    12 + 120 * random.nextDouble(),
                    12 + 56 * random.nextDouble(),
                    6 + 16 * random.nextDouble(),
                    6 + 16 * random.nextDouble(),
                    0));
        }
        return new Footprint.Parts(parts);
    }
}
