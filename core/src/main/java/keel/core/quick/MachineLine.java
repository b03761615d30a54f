package keel.core.quick;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import keel.core.knowledge.Knowledge;
import keel.core.quick.Reading.Choice;
import keel.core.quick.Vocabulary.MachineWord;
import keel.core.quick.Vocabulary.Word;
import keel.core.standing.MachineKind;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;

/** What happened to one machine. */
final class MachineLine {

    private static final List<String> FINE = List.of("clean", "ok", "fine", "good", "whole", "inspected");
    private static final Set<String> GLUE = Set.of(
            "the", "a", "an", "is", "was", "has", "been", "have", "it", "its", "just", "again", "i", "we", "my", "got");

    private final Knowledge knowledge;
    private final Vocabulary words;
    private final MachineWord machine;
    private final String when;

    /** @param when in words, where it was not just now; null for now */
    MachineLine(Knowledge knowledge, Vocabulary words, MachineWord machine, String when) {
        this.knowledge = knowledge;
        this.words = words;
        this.machine = machine;
        this.when = when;
    }

    /** @param rest what is said of the machine, its verb first where it has one */
    Reading read(List<String> rest) {
        if (rest.isEmpty()) {
            return Reading.clear(new Order.Open("machine", machine.code()), "Show " + machine.name() + ".");
        }
        List<String> tokens = new ArrayList<>(rest);
        List<String> plain = tokens.stream()
                .filter(t -> !GLUE.contains(t.toLowerCase(Locale.ROOT)))
                .toList();
        Reading seen = plain.isEmpty() ? null : new FailureWords(knowledge).seen(machine, plain);
        if (seen != null) {
            return tokens.stream().anyMatch("film"::equalsIgnoreCase) ? failureOrLook(tokens) : seen;
        }
        Optional<Verb.Found> said = Verb.in(tokens);
        if (said.isPresent()) {
            if (!said.get().verb().keeps(tokens.get(said.get().at()))) {
                tokens.remove(said.get().at());
            }
            return read(said.get().verb(), tokens);
        }
        if (tokens.stream().anyMatch(w -> w.equalsIgnoreCase("service"))) {
            return read(tokens.stream().anyMatch(w -> w.equalsIgnoreCase("out")) ? Verb.OFF : Verb.ON, tokens);
        }
        if (tokens.stream().anyMatch(w -> w.equalsIgnoreCase("fep") || w.equalsIgnoreCase("pfa"))) {
            return film(tokens);
        }
        String typed = tokens.remove(0);
        return Verb.beginning(typed).map(verb -> read(verb, tokens)).orElseGet(() -> unknown(typed, tokens));
    }

    /** A film that is cloudy or slack may be why a print failed, or what was seen at a look. */
    private Reading failureOrLook(List<String> tokens) {
        String seen = String.join(" ", tokens);
        return Reading.unclear(
                "Did a print fail, or was the film looked at?",
                choices(
                        "failed " + seen,
                        seen.toLowerCase(Locale.ROOT).endsWith("cloudy") ? "film clouded" : "vat slack"));
    }

    private Reading unknown(String typed, List<String> tokens) {
        String tail = tokens.isEmpty() ? "" : " " + String.join(" ", tokens);
        if (Amounts.in(Stream.concat(Stream.of(typed), tokens.stream()).toList())
                        .ml()
                != null) {
            return Reading.unclear("Was that poured?", choices("pour " + typed + tail));
        }
        return Reading.unclear(
                "What is " + typed
                        + "? After a machine comes what happened: failed, run, levelled, film new, cleared …",
                Verb.nearest(typed, 4).stream()
                        .filter(v -> tail.isEmpty() || read(v, tokens).understood())
                        .flatMap(v -> choice(v.word() + tail, read(v, tokens)).stream())
                        .toList());
    }

    private Reading read(Verb verb, List<String> tokens) {
        List<String> t = new ArrayList<>(tokens);
        if (!verb.namesAJob()) {
            t.removeIf(w -> GLUE.contains(w.toLowerCase(Locale.ROOT)));
        }
        return switch (verb) {
            case FAILED -> failed(without(t, "print", "run"));
            case RUN -> run(t);
            case START -> new RunWords(machine, when).starts(without(t, "print"));
            case DONE -> new RunWords(machine, when).finished(without(t, "print"));
            case FILM -> film(t);
            case TANK -> tank(t);
            case SCREEN -> screen(t);
            case VAT -> vat(t);
            case PLATE -> plate(t);
            case LEVELLED -> levelled(t);
            case CLEARED -> service(ServiceKind.PLATE_CLEARED, "the plate is clear.", Map.of(), without(t, "plate"));
            case CLEANED -> cleaned(t);
            case GREASED, OILED, LUBRICATED -> lubricated(verb, t);
            case ABRADED -> plateWork("ABRADED", "the plate was abraded.", t);
            case DEBURRED -> plateWork("DEBURRED", "a burr was taken off the plate.", t);
            case STANCE -> stance(t);
            case MOVED -> moved(t);
            case DROPPED ->
                service(
                        ServiceKind.PLATE_DROPPED,
                        "plate or tool dropped into the " + vessel() + ".",
                        Map.of(),
                        without(t, "plate", "tool", "something", "in", "into", "vat"));
            case FIRMWARE -> firmware(without(t, "updated", "to", "version", "new"));
            case OFF ->
                service(
                        ServiceKind.OFF,
                        "taken out of service.",
                        Map.of(),
                        without(t, "switched", "taken", "out", "of", "service"));
            case ON ->
                service(ServiceKind.ON, "back in service.", Map.of(), without(t, "switched", "back", "in", "service"));
            case POUR -> new PourWords(words, machine).read(t, false, this::choices);
            case RETURN -> new PourWords(words, machine).read(t, true, this::choices);
        };
    }

    private static List<String> without(List<String> tokens, String... idle) {
        tokens.removeIf(w -> List.of(idle).contains(w.toLowerCase(Locale.ROOT)));
        return tokens;
    }

    private Reading failed(List<String> tokens) {
        Integer layer = Amounts.in(tokens).reachedLayer();
        return layer == null
                ? new FailureWords(knowledge).read(machine, tokens, this::choice)
                : Reading.unclear(
                        "The layer belongs to the run that ends there.",
                        choices("done failed layer " + layer, "failed"));
    }

    private Reading run(List<String> tokens) {
        return tokens.size() == 1 && tokens.get(0).equalsIgnoreCase("dry")
                ? Reading.unclear("A dry run is walked through at the bench, step by step.", List.of())
                : new RunWords(machine, when).ended(tokens);
    }

    private Reading plateWork(String work, String sentence, List<String> tokens) {
        return service(
                ServiceKind.PLATE_WORK,
                sentence,
                Map.of("work", work),
                without(tokens, "plate", "burr", "off", "removed", "taken", "took"));
    }

    private Reading film(List<String> tokens) {
        if (laserTank()) {
            return Reading.unclear(
                    machine.name() + " has a tank, which is changed whole.",
                    choice("tank new", tank(List.of("new"))).stream().toList());
        }
        return tokens.stream().anyMatch(w -> w.equalsIgnoreCase("cleaned"))
                ? filmCleaned(tokens)
                : new FilmLine(machine.code(), null, machine.name()).read(tokens, this::choice);
    }

    private Reading filmCleaned(List<String> tokens) {
        without(tokens, "cleaned", "with", "wipes", "wiped");
        Optional<String> cleaner = FilmWords.take(ServiceKind.FILM_CLEANED, "cleaner", tokens);
        return cleaner.map(
                        c -> service(ServiceKind.FILM_CLEANED, "the film was cleaned.", Map.of("cleaner", c), tokens))
                .orElseGet(() -> Reading.unclear("Cleaned with what?", choices("film cleaned alcohol")));
    }

    private Reading tank(List<String> tokens) {
        if (!laserTank()) {
            return Reading.unclear(
                    machine.name() + " has a vat with a film, no tank.",
                    choice("film new", film(List.of("new"))).stream().toList());
        }
        return change(ServiceKind.TANK_CHANGE, "new tank", tokens);
    }

    private Reading screen(List<String> tokens) {
        if (!machine.traits().kind().hasScreen()) {
            return Reading.unclear(machine.name() + " has no screen that wears.", List.of());
        }
        if (tokens.stream().anyMatch(FilmWords::saysChanged)) {
            return change(ServiceKind.SCREEN_CHANGE, "new screen", tokens);
        }
        if (fine(tokens)) {
            return clear(ServiceKind.SCREEN_INSPECTED, Map.of("clean", true), "screen inspected, clean and whole.");
        }
        List<String> left = without(tokens, "with", "some", "dark", "inspected", "on");
        if (left.size() == 1 && List.of("spot", "spots").contains(left.get(0).toLowerCase(Locale.ROOT))) {
            return clear(ServiceKind.SCREEN_INSPECTED, Map.of("clean", false), "screen inspected, spots on it.");
        }
        return Reading.unclear("What of the screen?", choices("screen clean", "screen spots", "screen new"));
    }

    private static boolean fine(List<String> tokens) {
        return !tokens.isEmpty() && tokens.stream().allMatch(w -> FINE.contains(w.toLowerCase(Locale.ROOT)));
    }

    /** A part was changed; the only other word is why the old one ended. */
    private Reading change(ServiceKind kind, String what, List<String> tokens) {
        List<String> left = new ArrayList<>(tokens);
        left.removeIf(FilmWords::saysNothing);
        if (!left.removeIf(FilmWords::saysChanged)) {
            return Reading.unclear("A " + what + "? Then say so.", choices(what.substring(4) + " new"));
        }
        Optional<String> reason = FilmWords.take(kind, "endReason", left);
        String why = reason.map(r -> "the old one ended: "
                        + kind.field("endReason").orElseThrow().words(r).toLowerCase(Locale.ROOT))
                .orElse("why the old one ended is not said");
        return service(kind, what + "; " + why + ".", Map.of("endReason", reason.orElse("OTHER")), left);
    }

    private Reading vat(List<String> tokens) {
        if (fine(tokens)) {
            return clear(ServiceKind.VAT_INSPECTED, Map.of("clean", true), vessel() + " inspected, clean and whole.");
        }
        if (tokens.stream().anyMatch(w -> Verb.isAction(w) && !w.equalsIgnoreCase("clean"))) {
            return cleaned(tokens);
        }
        Optional<Word> vat = tokens.stream().flatMap(t -> vatNamed(t).stream()).findFirst();
        return vat.isPresent() ? carried(vat.get(), tokens) : inspected(tokens);
    }

    private Optional<Word> vatNamed(String token) {
        String code = LabelCode.read(token).map(LabelCode::code).orElse(token);
        return words.vats().stream()
                .filter(v -> v.code().equalsIgnoreCase(code))
                .findFirst();
    }

    /** A vat was fitted or lifted out. */
    private Reading carried(Word vat, List<String> tokens) {
        tokens.removeIf(t -> vatNamed(t).isPresent());
        boolean out =
                tokens.removeIf(w -> List.of("out", "off", "removed", "lifted").contains(w.toLowerCase(Locale.ROOT)));
        without(tokens, "on", "in", "fitted", "took", "put", "with");
        return service(
                out ? ServiceKind.VAT_REMOVED : ServiceKind.VAT_FITTED,
                "vat " + vat.code() + (out ? " lifted out." : " fitted, with its film and its hours."),
                Map.of("vat", vat.code()),
                tokens);
    }

    private Reading inspected(List<String> tokens) {
        String cause = VatFound.cause(tokens);
        return cause == null
                ? Reading.unclear(
                        "What of the " + vessel() + "?", choices("vat clean", "vat hole", "vat spill", "vat bits"))
                : clear(
                        ServiceKind.VAT_INSPECTED,
                        Map.of("clean", false, "found", List.of(cause)),
                        vessel() + " inspected, not in order: "
                                + knowledge.cause(cause).orElseThrow().name().toLowerCase(Locale.ROOT) + ".");
    }

    private Reading plate(List<String> tokens) {
        if (tokens.stream().anyMatch(FilmWords::saysChanged)) {
            tokens.removeIf(FilmWords::saysChanged);
            return service(ServiceKind.PLATE_WORK, "new plate.", Map.of("work", "REPLACED"), tokens);
        }
        return Reading.unclear(
                "What of the plate?", choices("plate clear", "plate abraded", "plate deburred", "plate new"));
    }

    private Reading levelled(List<String> tokens) {
        Optional<String> school = FilmWords.take(ServiceKind.LEVELLING, "school", tokens);
        tokens.removeIf(w ->
                List.of("on", "with", "film", "paper", "itself", "by", "plate").contains(w.toLowerCase(Locale.ROOT)));
        String how = school.orElse(machine.levelledBy());
        ServiceField field = ServiceKind.LEVELLING.field("school").orElseThrow();
        if (how.equals("SELF") && !machine.traits().selfLevelling()) {
            return Reading.unclear(machine.name() + " does not level itself.", choices("levelled paper"));
        }
        return service(
                ServiceKind.LEVELLING,
                "levelled, " + field.words(how).toLowerCase(Locale.ROOT) + ".",
                Map.of("school", how),
                tokens);
    }

    private Reading cleaned(List<String> tokens) {
        boolean quick = tokens.removeIf(w -> w.equalsIgnoreCase("quick") || w.equalsIgnoreCase("quickly"));
        without(tokens, "full", "fully", "up", "vat", "tank", "cleaned", "clean", "cleanup", "resin", "way");
        boolean sieved = tokens.removeIf(w -> w.equalsIgnoreCase("sieved"));
        boolean emptied = tokens.removeIf(w -> w.equalsIgnoreCase("emptied"));
        if (quick && !machine.traits().wholeAreaLight()) {
            return Reading.unclear(
                    machine.name() + " cannot light its whole area; only the full way works.", choices("cleaned full"));
        }
        Map<String, Object> values = new LinkedHashMap<>();
        values.put("way", quick ? "QUICK" : "FULL");
        values.put("sieved", sieved);
        values.put("emptied", emptied);
        return service(
                ServiceKind.CLEAN_UP,
                "cleaned up the " + (quick ? "quick" : "full") + " way, resin " + (sieved ? "sieved" : "not sieved")
                        + (emptied ? ", " + vessel() + " emptied." : "."),
                values,
                tokens);
    }

    private Reading lubricated(Verb verb, List<String> tokens) {
        boolean rail = tokens.removeIf(w -> w.equalsIgnoreCase("rail") || w.equalsIgnoreCase("rails"));
        without(tokens, "screw", "z", "axis", "z-screw", "z-axis");
        return rail || verb == Verb.OILED
                ? service(ServiceKind.LUBRICATION, "the rail was oiled.", Map.of("part", "RAIL"), tokens)
                : service(ServiceKind.LUBRICATION, "the Z screw was greased.", Map.of("part", "SCREW"), tokens);
    }

    private Reading stance(List<String> tokens) {
        tokens.removeIf(w -> FINE.contains(w.toLowerCase(Locale.ROOT))
                || List.of("checked", "firm", "level").contains(w.toLowerCase(Locale.ROOT)));
        return service(ServiceKind.STANCE_CHECKED, "stance checked: firm and level.", Map.of(), tokens);
    }

    private Reading moved(List<String> tokens) {
        without(tokens, "to", "into");
        String name = String.join(" ", tokens);
        return (name.isEmpty()
                        ? Optional.<Word>empty()
                        : QuickLine.byName(words.rooms()).find(name))
                .map(room -> clear(ServiceKind.MOVED, Map.of("room", room.code()), "moved to " + room.name() + "."))
                .orElseGet(() -> Reading.unclear(
                        "Moved to which room?",
                        choices(words.rooms().stream()
                                .limit(5)
                                .map(r -> "moved " + r.code())
                                .toArray(String[]::new))));
    }

    private Reading firmware(List<String> tokens) {
        return tokens.size() != 1
                ? Reading.unclear("Which version? firmware 1.4.2", List.of())
                : clear(ServiceKind.FIRMWARE, Map.of("version", tokens.get(0)), "firmware " + tokens.get(0) + ".");
    }

    /** A service with nothing left to explain; words that remain are asked about. */
    private Reading service(ServiceKind kind, String sentence, Map<String, Object> values, List<String> left) {
        return left.isEmpty()
                ? clear(kind, values, sentence)
                : Reading.unclear(
                        "What is " + left.get(0) + "?",
                        List.of(new Choice(start() + ServiceLine.of(kind, values), machine.name() + ": " + sentence)));
    }

    private Reading clear(ServiceKind kind, Map<String, Object> values, String sentence) {
        return Reading.clear(new Order.DoService(machine.code(), kind, values), machine.name() + ": " + sentence);
    }

    private List<Choice> choices(String... lines) {
        return Arrays.stream(lines)
                .flatMap(line -> choice(line, read(List.of(line.split(" ")))).stream())
                .toList();
    }

    private Optional<Choice> choice(String line, Reading read) {
        return QuickLine.choice(start() + line, read);
    }

    private String start() {
        return machine.code() + " ";
    }

    private boolean laserTank() {
        return machine.traits().kind() == MachineKind.LASER_TANK;
    }

    private String vessel() {
        return machine.traits().kind().vessel();
    }
}
