package keel.app.bench;

import java.time.Instant;
import java.util.Map;

/**
 * A service as somebody enters it.
 *
 * @param machine code; may be missing only for the film change of a spare vat
 * @param kind name of a {@link keel.core.standing.ServiceKind}
 * @param at when it was done; null for now
 * @param values the fields of its kind: text, numbers, true and false, or lists
 */
public record ServiceEntry(String machine, String kind, Instant at, String note, Map<String, Object> values) {}
