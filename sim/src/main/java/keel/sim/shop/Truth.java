package keel.sim.shop;

import java.time.Instant;
import java.util.List;
import java.util.Map;

/**
 * What nobody in the shop knows: what was truly behind a failure, and what each check would have shown.
 *
 * @param failureKey of the {@link Happening.FailureSeen}; null where the fault went unnoticed
 * @param causes the stronger first
 * @param faults all that was wrong with the print, whether it broke it or not
 * @param harms what the machine has suffered by the time it is seen: a pierced film, resin on its screen, dead pixels,
 *     bits in the vat
 * @param checks every check's findings
 * @param resinC temperature of the resin in the print, °C
 */
public record Truth(
        Instant at,
        String machine,
        String runKey,
        String failureKey,
        List<String> causes,
        List<String> faults,
        List<String> harms,
        Map<String, List<String>> checks,
        double resinC) {

    /** One with no other fault than its causes, and without harm. */
    Truth(
            Instant at,
            String machine,
            String runKey,
            String failureKey,
            List<String> causes,
            Map<String, List<String>> checks,
            double resinC) {
        this(at, machine, runKey, failureKey, causes, causes, List.of(), checks, resinC);
    }
}
