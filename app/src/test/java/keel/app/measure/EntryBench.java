package keel.app.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Timestamp;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import keel.app.standing.Rebuild;
import keel.app.support.AppTest;
import keel.app.support.TestShop;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;

/** What entering a run costs on a machine with a long history, beside one with a short one. */
@Tag("bench")
class EntryBench extends AppTest {

    private static final int FEW = 200;
    private static final int MANY = 20_000;
    private static final int WARM_UP = 150;
    private static final int REPEAT = 151;
    private static final double HOURS = 0.8;
    private static final double PRINTED = 0.6;

    @Autowired
    private JdbcTemplate jdbc;

    @Autowired
    private Rebuild rebuild;

    @Autowired
    private TransactionTemplate transaction;

    @Test
    void aRunIsEntered() {
        String young = shop.maskMachine();
        String old = shop.machineOf(shop.modelOf(young));
        double youngFrom = past(young, FEW);
        double oldFrom = past(old, MANY);
        double[] few = new double[REPEAT];
        double[] many = new double[REPEAT];
        for (int i = -WARM_UP; i < REPEAT; i++) {
            double on = (i + WARM_UP) * HOURS;
            few[Math.max(0, i)] = enter(young, youngFrom + on);
            many[Math.max(0, i)] = enter(old, oldFrom + on);
        }
        Arrays.sort(few);
        Arrays.sort(many);
        System.out.printf(
                Locale.ROOT,
                "A run entered: %.2f ms with %d runs behind it, %.2f ms with %d: %.2f x%n",
                few[REPEAT / 2],
                FEW,
                many[REPEAT / 2],
                MANY,
                many[REPEAT / 2] / few[REPEAT / 2]);
        assertThat(shop.now(old).sinceRecords().prints()).isEqualTo(MANY + WARM_UP + REPEAT);
    }

    private double enter(String machine, double hour) {
        long start = System.nanoTime();
        shop.run(machine, hour, PRINTED);
        return (System.nanoTime() - start) / 1e6;
    }

    /** Answers the hour after it. */
    private double past(String machine, int runs) {
        long id = shop.now(machine).id();
        List<Object[]> rows = new ArrayList<>();
        for (int i = 0; i < runs; i++) {
            Timestamp from = Timestamp.from(TestShop.at(1 + HOURS * i));
            rows.add(new Object[] {id, from, Timestamp.from(TestShop.at(1 + HOURS * i + PRINTED))});
        }
        jdbc.batchUpdate(
                "insert into run (machine_id, job, started_at, ended_at, layers, layer_exposure_s, resin_ml, outcome, "
                        + "withdrawn, version) values (?, 'Latch', ?, ?, 1000, 1.8, 50, 'GOOD', false, 0)",
                rows);
        transaction.executeWithoutResult(t -> rebuild.machine(id));
        return 1 + HOURS * runs;
    }
}
