package keel.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers.springSecurity;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.IntSupplier;
import keel.app.Keel;
import keel.app.people.People;
import keel.app.shell.ShopAudit;
import keel.app.support.QueryCounting;
import keel.sim.story.Saltmarsh;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import org.springframework.web.context.WebApplicationContext;

/**
 * What every main page costs in the demo's shop, and in a large one where {@code -Dkeel.bench.home} names its folder
 * (made by {@code ./keel demo --machines 50 --months 60 --home DIR}, and stopped): server time, statements and bytes,
 * beside a bare query of the fleet's figures and a style sheet in the same run. {@code -Dkeel.bench.sql=4} names the
 * statements that take 4 ms and more.
 */
@Tag("bench")
class PagesBench {

    private static final String ALL = String.join(
            ",",
            "/fleet",
            "/round",
            "/bench/upkeep",
            "/machines/curlew",
            "/machines/curlew/start",
            "/machines/curlew/profiles",
            "/machines/curlew/screen",
            "/machines/curlew/plate",
            "/machines/curlew/level",
            "/machines/curlew/pour",
            "/machines/curlew/stance",
            "/runs",
            "/runs/new?after=true",
            "/failures",
            "/failures/new",
            "/bench",
            "/bench/films",
            "/bench/screens",
            "/bench/lives",
            "/bench/packs",
            "/bench/spares",
            "/bench/batch",
            "/stores",
            "/stores/bottles",
            "/stores/buying",
            "/stores/count",
            "/costs",
            "/wash",
            "/waste",
            "/air",
            "/logbook",
            "/hand-over",
            "/quick?line=glove",
            "/looks-due",
            "/knowledge",
            "/guides",
            "/setup");

    /** All of them, or those that {@code -Dkeel.bench.pages} names, with commas between. */
    private static final List<String> PAGES =
            List.of(System.getProperty("keel.bench.pages", ALL).split(","));

    private static final int REPEAT = Integer.getInteger("keel.bench.repeat", 11);
    private static final int WARM_UP = 4;

    /** Median server time of a page, ms, its statements and bytes. */
    private record Cost(double ms, long statements, int bytes) {}

    @Test
    void pages() {
        Map<String, Cost> few = measure(Path.of("target", "bench-home"));
        String large = System.getProperty("keel.bench.home", "");
        if (!large.isEmpty()) {
            Map<String, Cost> many = measure(Path.of(large));
            many.forEach((page, cost) -> System.out.printf(
                    Locale.ROOT,
                    "%-28s %8.1f ms here, %8.1f ms in the demo: %5.2f x%n",
                    page,
                    cost.ms(),
                    few.get(page).ms(),
                    cost.ms() / few.get(page).ms()));
        }
        assertThat(few).hasSizeGreaterThan(PAGES.size());
    }

    private static Map<String, Cost> measure(Path home) {
        try (ConfigurableApplicationContext shop = new SpringApplicationBuilder(Keel.class, QueryCounting.class)
                .run(
                        "--keel.home=" + home.toAbsolutePath(),
                        "--keel.demo=true",
                        "--server.port=0",
                        "--keel.clock=" + DemoHome.MOMENT)) {
            audit(shop, home);
            return measure((WebApplicationContext) shop, home);
        }
    }

    /** Whatever the size of the shop, its figures follow from the record. */
    private static void audit(ConfigurableApplicationContext shop, Path home) {
        long began = System.nanoTime();
        ShopAudit.Answer answer = shop.getBean(ShopAudit.class).answer();
        System.out.printf(
                Locale.ROOT, "audit of %s: %.1f s. %s%n", home, (System.nanoTime() - began) / 1e9, answer.words());
        assertThat(answer.clean()).isTrue();
    }

    private static Map<String, Cost> measure(WebApplicationContext shop, Path home) {
        MockMvc mvc =
                MockMvcBuilders.webAppContextSetup(shop).apply(springSecurity()).build();
        JdbcTemplate jdbc = shop.getBean(JdbcTemplate.class);
        Replay.as(shop.getBean(People.class)
                .byPassword("owner", Saltmarsh.PEOPLE.get(0).password())
                .orElseThrow());
        Authentication owner = SecurityContextHolder.getContext().getAuthentication();
        Map<String, Cost> costs = new LinkedHashMap<>();
        costs.put("bare query", cost(() -> bare(jdbc)));
        costs.put("style sheet", cost(() -> get(mvc, "/static/css/frame.css", owner)));
        for (int i = 0; i < WARM_UP; i++) {
            PAGES.forEach(page -> get(mvc, page, owner));
        }
        for (String page : PAGES) {
            costs.put(page, cost(() -> get(mvc, page, owner)));
            explain(page, () -> get(mvc, page, owner));
        }
        System.out.println(home + ": " + jdbc.queryForObject("select count(*) from machine", Long.class) + " machines, "
                + jdbc.queryForObject("select count(*) from run", Long.class) + " runs");
        costs.forEach((page, c) -> System.out.printf(
                Locale.ROOT,
                "%-28s %8.1f ms %4d statements %8d bytes %7.2f x bare query%n",
                page,
                c.ms(),
                c.statements(),
                c.bytes(),
                c.ms() / costs.get("bare query").ms()));
        SecurityContextHolder.clearContext();
        return costs;
    }

    /** The figures of the fleet page and nothing else. */
    private static int bare(JdbcTemplate jdbc) {
        return jdbc.queryForList("select * from machine_card m left join machine_standing s on s.machine_id = m.id")
                        .size()
                + jdbc.queryForList("select * from part_fitted").size()
                + jdbc.queryForList("select * from meter where scope <> 'COMPONENT'")
                        .size()
                + jdbc.queryForList("select * from open_hold").size()
                + jdbc.queryForList("select machine_id, sum(hours) from run_fact where started_at >= "
                                + "timestamp with time zone '2026-02-12 00:00:00+00' group by machine_id")
                        .size()
                + jdbc.queryForList("select machine_id, started_at, hours, came_out from run_fact where started_at >= "
                                + "timestamp with time zone '2026-02-26 00:00:00+00'")
                        .size();
    }

    private static int get(MockMvc mvc, String path, Authentication who) {
        try {
            var answer = mvc.perform(MockMvcRequestBuilders.get(path)
                            .with(SecurityMockMvcRequestPostProcessors.authentication(who)))
                    .andReturn()
                    .getResponse();
            assertThat(answer.getStatus()).as(path).isEqualTo(200);
            return answer.getContentAsByteArray().length;
        } catch (Exception e) {
            throw new AssertionError(path, e);
        }
    }

    private static Cost cost(IntSupplier action) {
        long[] nanos = new long[REPEAT];
        int bytes = 0;
        for (int i = -WARM_UP; i < REPEAT; i++) {
            long start = System.nanoTime();
            bytes = action.getAsInt();
            nanos[Math.max(0, i)] = System.nanoTime() - start;
        }
        Arrays.sort(nanos);
        return new Cost(nanos[REPEAT / 2] / 1e6, QueryCounting.during(action::getAsInt), bytes);
    }

    private static void explain(String page, Runnable action) {
        Integer from = Integer.getInteger("keel.bench.sql");
        if (from != null) {
            QueryCounting.sent(action).stream()
                    .filter(s -> s.ms() >= from)
                    .forEach(s -> System.out.println(page + " asks " + s.ms() + " ms: " + s.sql()));
        }
    }
}
