package keel.app.floor.begin;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.Refused;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.standing.Standings;
import keel.app.stores.Resins;
import keel.core.Finding;
import keel.core.Findings;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The last print of each machine, as somebody remembers it. */
@Service
@Transactional
public class LastPrints {

    private static final double MS_AN_HOUR = 3_600_000;
    /** How long ago "just now" is: whatever is done after the print comes later. */
    private static final Duration JUST = Duration.ofMinutes(1);

    private final Runs runs;
    private final Resins resins;
    private final Standings standings;
    private final Bench bench;
    private final Clock clock;

    LastPrints(Runs runs, Resins resins, Standings standings, Bench bench, Clock clock) {
        this.runs = runs;
        this.resins = resins;
        this.standings = standings;
        this.bench = bench;
        this.clock = clock;
    }

    /**
     * A print of a machine as somebody remembers it.
     *
     * @param endedAt null for just now
     */
    public record Remembered(String machine, String job, Double hours, Instant endedAt, String outcome) {}

    /**
     * The last print of each machine; what nobody knows of it is reckoned from its hours. All of them or none.
     *
     * @param prints null for a row in which nothing was said
     * @param cleared whether their plates have been cleared since
     * @throws Refused with the row before each field
     */
    public void prints(List<Remembered> prints, boolean cleared) {
        Findings findings = new Findings();
        for (int row = 0; row < prints.size(); row++) {
            Remembered p = prints.get(row);
            if (p == null) {
                continue;
            }
            try {
                print(p);
                if (cleared) {
                    bench.record(new ServiceEntry(p.machine(), ServiceKind.PLATE_CLEARED.name(), null, null, Map.of()));
                }
            } catch (Refused e) {
                InRow.add(e.findings(), row, "", findings);
            } catch (Conflict e) {
                InRow.add(List.of(new Finding("job", e.getMessage())), row, "", findings);
            }
        }
        Refused.unless(findings);
    }

    private void print(Remembered p) {
        Findings findings = new Findings();
        findings.range(p.hours(), 0.02, 500, "hours", "How long it printed", "h");
        findings.text(p.job(), 120, "job", "What was printed");
        Refused.unless(findings);
        Duration length = Duration.ofMillis(Math.round(p.hours() * MS_AN_HOUR));
        Instant ended = p.endedAt() == null ? ended(p.machine(), length) : p.endedAt();
        runs.enterRemembered(new RunEntry(
                p.machine(), p.job(), ended.minus(length), ended, null, null, null, p.outcome(), null, null));
    }

    /**
     * Just now; but what somebody said meanwhile to be in the vat is what was left after the print, so one that would
     * have begun before the vat was filled was over by then.
     */
    private Instant ended(String machine, Duration length) {
        Instant now = clock.instant().minus(JUST);
        return resins.lastPoured(standings.of(machine).vat().code())
                .filter(poured -> now.minus(length).isBefore(poured))
                .map(poured -> poured.minus(JUST))
                .orElse(now);
    }
}
