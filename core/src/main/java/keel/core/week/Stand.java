package keel.core.week;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * A machine at the begin of a week.
 *
 * @param freeFrom when its print ends or what holds it is done; null for now
 * @param resin what is in its vat; null while empty or unknown
 * @param night whether it may print while nobody is there
 */
public record Stand(String machine, @Nullable Instant freeFrom, @Nullable String resin, boolean night) {}
