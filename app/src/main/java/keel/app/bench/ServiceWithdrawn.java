package keel.app.bench;

import java.util.Map;
import keel.core.standing.ServiceKind;

/** A service was taken back. */
public record ServiceWithdrawn(long id, ServiceKind kind, Map<String, Object> values) {}
