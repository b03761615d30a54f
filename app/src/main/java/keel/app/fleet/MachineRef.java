package keel.app.fleet;

import java.time.Instant;
import keel.core.standing.MachineTraits;

/** A machine as the other modules know it. */
public record MachineRef(long id, String code, String name, long modelId, MachineTraits traits, String levellingSchool,
                         double plateWidthMm, double plateDepthMm, Instant since, boolean retired) {}
