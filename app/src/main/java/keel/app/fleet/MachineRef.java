package keel.app.fleet;

import java.time.Instant;
import keel.core.resin.VatSize;
import keel.core.standing.MachineTraits;

/**
 * A machine as the other modules know it.
 *
 * @param levellingSchool PAPER, ON_FILM or SELF
 * @param sievesAfterEachPrint whether its resin is sieved after every print, rather than after failures and on signs
 * @param tiltsOrSlides whether it lets go by moving its vat, so that its release can be slow or fast
 * @param fillLineMl what its vat may hold, ml; null without a line
 */
public record MachineRef(
        long id,
        String code,
        String name,
        long modelId,
        MachineTraits traits,
        String levellingSchool,
        boolean sievesAfterEachPrint,
        boolean selfFilling,
        boolean tiltsOrSlides,
        Double fillLineMl,
        VatSize vat,
        double plateWidthMm,
        double plateDepthMm,
        Instant since,
        boolean retired) {}
