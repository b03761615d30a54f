package keel.app.bench;

import java.time.Instant;
import java.util.Map;
import keel.core.standing.ServiceKind;

/** A service as it is read. */
public record ServiceView(
        long id, ServiceKind kind, String machine, Instant at, String text, String note, Map<String, Object> values) {}
