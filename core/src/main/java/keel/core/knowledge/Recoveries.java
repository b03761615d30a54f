package keel.core.knowledge;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import keel.core.CheckedYaml;
import keel.core.standing.Caution;
import keel.core.standing.MachineKind;
import keel.core.standing.ServiceKind;

/** What mends each cause, on each kind of machine. Immutable. */
public final class Recoveries {

    private final Map<String, Map<MachineKind, Recovery>> byCause;

    private Recoveries(Map<String, Map<MachineKind, Recovery>> byCause) {
        this.byCause = byCause;
    }

    /** Those that ship with the product. */
    public static Recoveries shipped(Knowledge knowledge) {
        return of(CheckedYaml.shipped("knowledge/recoveries"), knowledge);
    }

    /**
     * @throws IllegalArgumentException if the file does not match its schema, names a cause that the knowledge does not
     *     have, or leaves one out
     */
    public static Recoveries of(JsonNode file, Knowledge knowledge) {
        CheckedYaml.requireSchema("knowledge/recoveries", file);
        Map<String, Map<MachineKind, Recovery>> all = new HashMap<>();
        file.get("recoveries").forEach(n -> all.put(n.get("cause").asText(), kinds(n)));
        Set<String> causes =
                knowledge.causes().stream().map(Cause::code).collect(Collectors.toCollection(TreeSet::new));
        Set<String> odd = new TreeSet<>(all.keySet());
        odd.removeAll(causes);
        causes.removeAll(all.keySet());
        odd.addAll(causes);
        if (!odd.isEmpty()) {
            throw new IllegalArgumentException(
                    "recoveries.yaml names no known cause, or leaves one out: " + String.join(", ", odd));
        }
        return new Recoveries(all);
    }

    private static Map<MachineKind, Recovery> kinds(JsonNode n) {
        Map<MachineKind, Recovery> each = new EnumMap<>(MachineKind.class);
        for (MachineKind kind : MachineKind.values()) {
            JsonNode own = n.path("kinds").path(kind.name());
            JsonNode from = own.isMissingNode() ? n : own;
            List<ServiceKind> work = CheckedYaml.strings(from.get("work")).stream()
                    .map(ServiceKind::valueOf)
                    .filter(w ->
                            kind.hasScreen() || w != ServiceKind.SCREEN_INSPECTED && w != ServiceKind.SCREEN_CHANGE)
                    .toList();
            each.put(
                    kind,
                    new Recovery(
                            CheckedYaml.strings(from.get("do")),
                            work,
                            Recovery.Page.valueOf(n.path("page").asText("NONE")),
                            Caution.valueOf(n.path("caution").asText("NONE")),
                            n.path("salvage").asText(null)));
        }
        return each;
    }

    /** @throws IllegalArgumentException if there is no such cause */
    public Recovery of(String cause, MachineKind kind) {
        Map<MachineKind, Recovery> recoveries = byCause.get(cause);
        if (recoveries == null) {
            throw new IllegalArgumentException("There is no cause " + cause + ".");
        }
        return Objects.requireNonNull(recoveries.get(kind));
    }
}
