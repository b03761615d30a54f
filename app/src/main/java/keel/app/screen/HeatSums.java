package keel.app.screen;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.air.ReadingWithdrawn;
import keel.app.standing.RunsChanged;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;

/**
 * How warm rooms were while parts lit. By hand in SQL, because each of many thousand runs has to find the last reading
 * of its room before it, and only the sums per part are wanted. What a machine did is read once and kept until its runs
 * change; a reading of now is no older than any run that has ended, and so changes none of it.
 */
@Component
class HeatSums {

    private record Of(long machine, double warmC) {}

    /** UV hours times °C, those above what is warm, and all of which a reading is known. */
    private record Sums(long part, double uvC, double warmUv, double uv) {

        Sums plus(Sums more) {
            return new Sums(part, uvC + more.uvC, warmUv + more.warmUv, uv + more.uv);
        }
    }

    private final JdbcClient jdbc;
    private final Cache<Of, List<Sums>> kept =
            Caffeine.newBuilder().maximumSize(5_000).build();

    HeatSums(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** By part, of the runs that it lit and of which a reading is known; UV hours above {@code warmC} counted apart. */
    Map<Long, Optics.Heat> byPart(Collection<Long> machines, double warmC) {
        Set<Of> asked = machines.stream().map(m -> new Of(m, warmC)).collect(Collectors.toSet());
        return kept.getAll(asked, this::read).values().stream()
                .flatMap(List::stream)
                .collect(Collectors.toMap(Sums::part, Function.identity(), Sums::plus))
                .values()
                .stream()
                .collect(Collectors.toMap(Sums::part, s -> new Optics.Heat(s.uvC() / s.uv(), s.warmUv(), s.uv())));
    }

    @TransactionalEventListener(fallbackExecution = true)
    void on(RunsChanged changed) {
        kept.asMap().keySet().removeIf(of -> of.machine() == changed.machine());
    }

    @TransactionalEventListener(fallbackExecution = true)
    void on(ReadingWithdrawn withdrawn) {
        kept.invalidateAll();
    }

    private Map<Of, List<Sums>> read(Set<? extends Of> missing) {
        Map<Of, List<Sums>> read = new HashMap<>();
        missing.forEach(of -> read.put(of, List.of()));
        double warm = missing.iterator().next().warmC();
        Map<Long, List<Sums>> sums = new HashMap<>();
        jdbc.sql(
                        """
                select p.machine_id, p.part_id, sum(r.uv_hours * x.room_c) as uv_c,
                  sum(case when x.room_c > :warm then r.uv_hours else 0 end) as warm_uv, sum(r.uv_hours) as uv
                from part_on_machine p
                join run_fact r on r.machine_id = p.machine_id and r.started_at >= p.since and r.started_at < p.until
                join run_room x on x.run_id = r.id
                where p.kind in ('SCREEN', 'LIGHT') and p.machine_id in (:machines) and r.uv_hours > 0
                  and x.room_c is not null
                group by p.machine_id, p.part_id""")
                .param("warm", warm)
                .param(
                        "machines",
                        new HashSet<>(missing.stream().map(Of::machine).toList()))
                .query(row -> {
                    sums.computeIfAbsent(row.getLong("machine_id"), m -> new ArrayList<>())
                            .add(new Sums(
                                    row.getLong("part_id"),
                                    row.getDouble("uv_c"),
                                    row.getDouble("warm_uv"),
                                    row.getDouble("uv")));
                });
        sums.forEach((machine, of) -> read.put(new Of(machine, warm), of));
        return read;
    }
}
