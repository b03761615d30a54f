package keel.app.bench;

import java.util.Map;
import keel.core.standing.ServiceKind;

/** A service was written down; {@code machineId} is null for one to a vat on the shelf. */
public record ServiceRecorded(long id, ServiceKind kind, Long machineId, Map<String, Object> values) {}
