package keel.core.guide;

import static keel.core.CheckedYaml.each;
import static keel.core.CheckedYaml.strings;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import keel.core.CheckedYaml;
import keel.core.air.AirPartKind;
import keel.core.standing.Caution;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineTraits;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;
import keel.core.stock.Consumable;

/** All procedures, from their YAML files. Common practice in the trade, no published source. */
public final class Procedures {

    private static final List<String> FILES = List.of(
            "film-change",
            "tank-change",
            "tank-swap",
            "clean-up",
            "vat-inspection",
            "screen-inspection",
            "plate-work",
            "lubrication",
            "levelling",
            "commissioning",
            "film-cleaning",
            "stop-gap",
            "resin-change",
            "screen-change",
            "light-change",
            "dry-run",
            "pour",
            "fan-check",
            "mesh-cleaning",
            "filter-change",
            "carbon-change",
            "cartridge-change");

    private final List<Procedure> all;

    private Procedures(List<Procedure> all) {
        this.all = all;
    }

    /** The procedures that ship with the product. */
    public static Procedures shipped() {
        return new Procedures(FILES.stream()
                .map(name -> of(CheckedYaml.shipped("guide/" + name)))
                .toList());
    }

    public List<Procedure> all() {
        return all;
    }

    public Optional<Procedure> called(String code) {
        return all.stream().filter(p -> p.code().equals(code)).findFirst();
    }

    /** The procedure that ends with this service on such a machine, or empty. */
    public Optional<Procedure> leadingTo(ServiceKind kind, MachineTraits machine) {
        return atMachine(machine).stream()
                .filter(p -> p.service().filter(s -> s == kind).isPresent())
                .findFirst();
    }

    /** Everything that is done step by step at such a machine. */
    public List<Procedure> atMachine(MachineTraits machine) {
        return all.stream()
                .filter(p -> p.airPart() == null && p.when().holds(machine, Map.of()))
                .toList();
    }

    /** How such a part in the path of the air is cleaned or changed. */
    public Procedure of(AirPartKind part) {
        return all.stream().filter(p -> p.airPart() == part).findFirst().orElseThrow();
    }

    /**
     * One procedure from its file.
     *
     * @throws IllegalArgumentException if it does not match the schema or leads to a step or answer that is not there
     */
    public static Procedure of(JsonNode file) {
        CheckedYaml.requireSchema("guide/procedure", file);
        List<Procedure.Written> writes = each(
                file.get("writes"),
                n -> new Procedure.Written(
                        ServiceKind.valueOf(n.get("kind").asText()), texts(n.get("fixed")), when(n.get("when"))));
        Procedure procedure = new Procedure(
                file.get("code").asText(),
                file.get("name").asText(),
                file.get("about").asText(),
                file.get("minutes").asInt(),
                when(file.get("when")),
                strings(file.get("kit")),
                each(
                        file.get("uses"),
                        n -> new Procedure.Use(
                                Consumable.valueOf(n.get("kind").asText()),
                                n.get("what").asText(),
                                n.get("quantity").asDouble())),
                each(file.get("steps"), n -> step(n, writes)),
                writes,
                Procedure.Ending.valueOf(file.path("ends").asText("SERVICES")),
                file.has("airPart") ? AirPartKind.valueOf(file.get("airPart").asText()) : null,
                file.path("done").asText(null),
                strings(file.get("follows")));
        requireSound(procedure);
        return procedure;
    }

    private static Step step(JsonNode n, List<Procedure.Written> writes) {
        JsonNode detour = n.get("detour");
        return new Step(
                n.get("code").asText(),
                n.get("title").asText(),
                strings(n.get("text")),
                n.get("draw").asText(),
                Caution.valueOf(n.path("caution").asText("NONE")),
                n.has("seconds") ? n.get("seconds").asInt() : null,
                each(n.get("asks"), a -> ask(a, writes)),
                Step.Turns.valueOf(n.path("turns").asText("none").toUpperCase(Locale.ROOT)),
                Step.Tool.valueOf(
                        n.path("tool").asText("none").toUpperCase(Locale.ROOT).replace('-', '_')),
                detour == null
                        ? null
                        : new Step.Detour(
                                detour.get("label").asText(),
                                detour.get("to").asText(),
                                detour.path("answer").asText(null),
                                detour.path("value").asText(null)),
                when(n.get("when")),
                n.path("stops").asBoolean(),
                Step.Advice.valueOf(n.path("advise").asText("none").toUpperCase(Locale.ROOT)),
                n.has("tank")
                        ? new Step.Said(
                                n.get("tank")
                                        .path("title")
                                        .asText(n.get("title").asText()),
                                strings(n.get("tank").get("text")))
                        : null,
                means(n.path("means")));
    }

    private static Map<String, Map<String, Step.Meaning>> means(JsonNode n) {
        Map<String, Map<String, Step.Meaning>> means = new LinkedHashMap<>();
        n.properties().forEach(q -> {
            Map<String, Step.Meaning> of = new LinkedHashMap<>();
            q.getValue()
                    .properties()
                    .forEach(a ->
                            of.put(a.getKey(), Step.Meaning.valueOf(a.getValue().asText())));
            means.put(q.getKey(), of);
        });
        return means;
    }

    /** A question of its own, or by its name a field of one of the services that are written at the end. */
    private static ServiceField ask(JsonNode n, List<Procedure.Written> writes) {
        if (n.isTextual()) {
            return writes.stream()
                    .flatMap(w -> w.kind().field(n.asText()).stream())
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException(
                            "No service written at the end has a field " + n.asText() + "."));
        }
        return new ServiceField(
                n.get("name").asText(),
                n.get("label").asText(),
                ServiceField.Type.valueOf(n.get("type").asText()),
                n.path("required").asBoolean(),
                each(
                        n.get("options"),
                        o -> new ServiceField.Option(
                                o.get("code").asText(), o.get("words").asText())),
                n.path("low").asDouble(),
                n.path("high").asDouble(),
                n.path("unit").asText(""));
    }

    private static When when(JsonNode n) {
        if (n == null) {
            return When.ALWAYS;
        }
        Set<MachineKind> kinds = EnumSet.noneOf(MachineKind.class);
        strings(n.get("kinds")).forEach(k -> kinds.add(MachineKind.valueOf(k)));
        Set<LevelJoint> joints = EnumSet.noneOf(LevelJoint.class);
        strings(n.get("joints")).forEach(j -> joints.add(LevelJoint.valueOf(j)));
        Map<String, List<String>> answers = new LinkedHashMap<>();
        if (n.has("answers")) {
            n.get("answers").properties().forEach(e -> answers.put(e.getKey(), strings(e.getValue())));
        }
        return new When(kinds, joints, yesOrNo(n, "wholeAreaLight"), yesOrNo(n, "resinSensing"), answers);
    }

    private static Boolean yesOrNo(JsonNode n, String name) {
        return n.has(name) ? Boolean.valueOf(n.get(name).asBoolean()) : null;
    }

    private static Map<String, String> texts(JsonNode n) {
        Map<String, String> texts = new LinkedHashMap<>();
        if (n != null) {
            n.properties().forEach(e -> texts.put(e.getKey(), e.getValue().asText()));
        }
        return texts;
    }

    private static void requireSound(Procedure procedure) {
        Set<String> codes = new HashSet<>();
        Set<String> asked = new HashSet<>();
        for (Step step : procedure.steps()) {
            require(codes.add(step.code()), "The step " + step.code() + " stands twice.");
            step.when()
                    .answers()
                    .keySet()
                    .forEach(a -> require(
                            asked.contains(a), "Step " + step.code() + " depends on " + a + ", not asked before."));
            step.asks().forEach(a -> asked.add(a.name()));
            step.asks().stream()
                    .filter(a -> a.type() == ServiceField.Type.CHOICE || a.type() == ServiceField.Type.YES_NO)
                    .forEach(a -> require(
                            step.means()
                                    .getOrDefault(a.name(), Map.of())
                                    .keySet()
                                    .equals(answers(a)),
                            "Step " + step.code() + " does not say what each answer of " + a.name() + " means."));
        }
        for (Step step : procedure.steps()) {
            require(
                    step.detour() == null || codes.contains(step.detour().to()),
                    "Step " + step.code() + " leads to a step that is not there.");
        }
        require(
                procedure.writes().isEmpty() == (procedure.ending() != Procedure.Ending.SERVICES),
                "It writes services, or ends with something else.");
        require(
                procedure.writes().isEmpty() == (procedure.said() != null),
                "Its end is called after its service, or has a name of its own.");
        require(
                (procedure.ending() == Procedure.Ending.AIR_PART) == (procedure.airPart() != null),
                "It is for a part in the path of the air, or is not.");
        procedure.writes().forEach(w -> w.fixed()
                .keySet()
                .forEach(f -> require(w.kind().field(f).isPresent(), w.kind() + " has no field " + f + ".")));
    }

    /** Every answer that a question can have. */
    static Set<String> answers(ServiceField ask) {
        return ask.type() == ServiceField.Type.YES_NO
                ? Set.of("true", "false")
                : ask.options().stream().map(ServiceField.Option::code).collect(Collectors.toSet());
    }

    private static void require(boolean sound, String otherwise) {
        if (!sound) {
            throw new IllegalArgumentException(otherwise);
        }
    }
}
