package keel.app.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;

import java.sql.Timestamp;
import java.util.ArrayList;
import java.util.List;
import keel.app.standing.Rebuild;
import keel.app.support.AppTest;
import keel.app.support.TestShop;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * What the fleet page costs with fifty machines, first with a short history, then with a long one, beside a plain
 * query.
 */
@Tag("bench")
class FleetBench extends AppTest {

    private static final int MACHINES = 50;
    private static final int FEW = 1_000;
    private static final int MANY = 100_000;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcTemplate jdbc;

    @Autowired
    private Rebuild rebuild;

    @Autowired
    private TransactionTemplate transaction;

    private final List<Long> machines = new ArrayList<>();

    @Test
    void fleetPage() {
        String first = shop.maskMachine();
        for (int i = 1; i < MACHINES; i++) {
            shop.machineOf(shop.modelOf(first));
        }
        machines.addAll(jdbc.queryForList("select id from machine order by id", Long.class));
        addRuns(0, FEW);
        Measured plainFew = plain("plain query, " + FEW + " runs");
        Measured few = page("/fleet", FEW).beside(plainFew);
        Measured oneFew = page("/machines/" + first, FEW).beside(plainFew);
        addRuns(FEW, MANY);
        Measured plainMany = plain("plain query, " + MANY + " runs");
        Measured many = page("/fleet", MANY).beside(plainMany).beside(few);
        Measured oneMany = page("/machines/" + first, MANY).beside(plainMany).beside(oneFew);
        assertThat(many.statements())
                .as("statements do not grow with the history")
                .isEqualTo(few.statements());
        assertThat(oneMany.statements()).isEqualTo(oneFew.statements());
    }

    private Measured plain(String what) {
        return Measured.of(
                what,
                () -> jdbc.queryForList(
                        "select m.code, t.hours, t.prints from machine m join meter t on t.owner_id = m.id and "
                                + "t.scope = 'MACHINE'"));
    }

    private Measured page(String path, int runs) {
        shop.as("keeper");
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        return Measured.of(
                path.replaceAll("bird.*", "one") + ", " + machines.size() + " machines, " + runs + " runs", () -> {
                    try {
                        assertThat(mvc.perform(MockMvcRequestBuilders.get(path).with(authentication(who)))
                                        .andReturn()
                                        .getResponse()
                                        .getStatus())
                                .isEqualTo(200);
                    } catch (Exception e) {
                        throw new AssertionError(e);
                    }
                });
    }

    private void addRuns(int from, int to) {
        List<Object[]> rows = new ArrayList<>();
        for (int i = from; i < to; i++) {
            Timestamp start = Timestamp.from(TestShop.at(6.0 * (i / machines.size())));
            rows.add(new Object[] {
                machines.get(i % machines.size()),
                "Latch " + i % 40,
                start,
                Timestamp.from(start.toInstant().plusSeconds(4 * 3600))
            });
        }
        jdbc.batchUpdate(
                "insert into run (machine_id, job, started_at, ended_at, layers, layer_exposure_s, resin_ml, "
                        + "outcome, withdrawn, version) "
                        + "values (?, ?, ?, ?, 1000, 2.1, 50, 'GOOD', false, 0)",
                rows);
        transaction.executeWithoutResult(status -> rebuild.everything());
    }
}
