package keel.sim.shop;

import java.time.Instant;
import java.util.List;
import java.util.Map;

/**
 * What nobody in the shop knows: what was truly behind a failure, and what each check would have shown.
 *
 * @param failureKey of the {@link Happening.FailureSeen}; null where the fault went unnoticed
 * @param causes the stronger first
 * @param checks every check's findings
 * @param resinC temperature of the resin in the print, °C
 */
public record Truth(
        Instant at,
        String machine,
        String runKey,
        String failureKey,
        List<String> causes,
        Map<String, List<String>> checks,
        double resinC) {}
