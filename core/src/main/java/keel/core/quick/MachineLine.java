package keel.core.quick;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.core.Plain;
import keel.core.knowledge.Knowledge;
import keel.core.quick.Reading.Choice;
import keel.core.quick.Vocabulary.MachineWord;
import keel.core.quick.Vocabulary.Word;
import keel.core.standing.MachineKind;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;

/** What happened to one machine. */
final class MachineLine {

    /** What a line can say of a machine, each with the words for it; the first is the one shown in choices. */
    private enum Verb {
        FAILED("failed", "failure", "fail"),
        RUN("run", "ran", "printed"),
        START("start", "started"),
        DONE("done", "finished", "ended"),
        FILM("film"),
        TANK("tank"),
        SCREEN("screen"),
        VAT("vat"),
        PLATE("plate"),
        LEVELLED("levelled", "leveled", "level"),
        CLEARED("cleared", "clear"),
        CLEANED("cleaned", "clean", "cleanup"),
        GREASED("greased", "grease"),
        OILED("oiled", "oil"),
        LUBRICATED("lubricated", "lubed"),
        ABRADED("abraded", "sanded"),
        DEBURRED("deburred"),
        STANCE("stance"),
        MOVED("moved", "move"),
        DROPPED("dropped"),
        FIRMWARE("firmware"),
        OFF("off"),
        ON("on"),
        POUR("pour", "poured", "topped");

        private final List<String> words;

        Verb(String... words) {
            this.words = List.of(words);
        }
    }

    private static final Names<Verb> VERBS = new Names<>(Arrays.asList(Verb.values()), v -> v.words);
    private static final List<String> FINE = List.of("clean", "ok", "fine", "good", "whole", "inspected");

    private final Knowledge knowledge;
    private final Vocabulary words;
    private final MachineWord machine;

    MachineLine(Knowledge knowledge, Vocabulary words, MachineWord machine) {
        this.knowledge = knowledge;
        this.words = words;
        this.machine = machine;
    }

    Reading read(List<String> rest) {
        if (rest.isEmpty()) {
            return Reading.clear(new Order.Open("machine", machine.code()), "Show " + machine.name() + ".");
        }
        List<String> tokens = new ArrayList<>(rest);
        String typed = tokens.remove(0);
        Optional<Verb> verb = VERBS.find(typed);
        if (verb.isEmpty()) {
            List<Verb> near = VERBS.nearest(typed, 4);
            String tail = tokens.isEmpty() ? "" : " " + String.join(" ", tokens);
            return Reading.unclear(
                    "What is " + typed
                            + "? After a machine comes what happened: failed, run, levelled, film new, cleared …",
                    near.stream()
                            .flatMap(v -> choice(v.words.get(0) + tail, read(v, tokens)).stream())
                            .toList());
        }
        return read(verb.get(), tokens);
    }

    private Reading read(Verb verb, List<String> tokens) {
        List<String> t = new ArrayList<>(tokens);
        return switch (verb) {
            case FAILED -> new FailureWords(knowledge).read(machine, t, this::choice);
            case RUN -> new RunWords(machine).ended(t);
            case START -> new RunWords(machine).starts(t);
            case DONE -> new RunWords(machine).finished(t);
            case FILM -> film(t);
            case TANK -> tank(t);
            case SCREEN -> screen(t);
            case VAT -> vat(t);
            case PLATE -> plate(t);
            case LEVELLED -> levelled(t);
            case CLEARED -> service(ServiceKind.PLATE_CLEARED, "the plate is clear.", Map.of(), t);
            case CLEANED -> cleaned(t);
            case GREASED -> service(ServiceKind.LUBRICATION, "the Z screw was greased.", Map.of("part", "SCREW"), t);
            case OILED -> service(ServiceKind.LUBRICATION, "the rail was oiled.", Map.of("part", "RAIL"), t);
            case LUBRICATED -> lubricated(t);
            case ABRADED -> service(ServiceKind.PLATE_WORK, "the plate was abraded.", Map.of("work", "ABRADED"), t);
            case DEBURRED ->
                service(ServiceKind.PLATE_WORK, "a burr was taken off the plate.", Map.of("work", "DEBURRED"), t);
            case STANCE -> stance(t);
            case MOVED -> moved(t);
            case DROPPED ->
                service(ServiceKind.PLATE_DROPPED, "plate or tool dropped into the " + vessel() + ".", Map.of(), t);
            case FIRMWARE -> firmware(t);
            case OFF -> service(ServiceKind.OFF, "taken out of service.", Map.of(), t);
            case ON -> service(ServiceKind.ON, "back in service.", Map.of(), t);
            case POUR -> pour(t);
        };
    }

    private Reading film(List<String> tokens) {
        if (laserTank()) {
            return Reading.unclear(
                    machine.name() + " has a tank, which is changed whole.",
                    choice("tank new", tank(List.of("new"))).stream().toList());
        }
        FilmWords film = FilmWords.read(tokens);
        return film.wrong() != null
                ? Reading.unclear(film.wrong(), List.of())
                : clear(ServiceKind.FILM_CHANGE, film.values(), film.words());
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
        if (tokens.isEmpty()) {
            return Reading.unclear("What of the screen?", choices("screen clean", "screen spots", "screen new"));
        }
        String first = tokens.get(0).toLowerCase(Locale.ROOT);
        if (FINE.contains(first)) {
            return clear(ServiceKind.SCREEN_INSPECTED, Map.of("clean", true), "screen inspected, clean and whole.");
        }
        if (first.startsWith("spot")) {
            return clear(ServiceKind.SCREEN_INSPECTED, Map.of("clean", false), "screen inspected, spots on it.");
        }
        return change(ServiceKind.SCREEN_CHANGE, "new screen", tokens);
    }

    /** A part was changed; the only other word is why the old one ended. */
    private Reading change(ServiceKind kind, String what, List<String> tokens) {
        List<String> left = new ArrayList<>(tokens);
        if (!left.remove("new") && !left.remove("changed")) {
            return Reading.unclear("A " + what + "? Then say so.", choices(what.substring(4) + " new"));
        }
        Optional<String> reason = FilmWords.take(kind, "endReason", left);
        String why = reason.map(r -> "the old one ended: "
                        + kind.field("endReason").orElseThrow().words(r).toLowerCase(Locale.ROOT))
                .orElse("why the old one ended is not said");
        return service(kind, what + "; " + why + ".", Map.of("endReason", reason.orElse("OTHER")), left);
    }

    private Reading vat(List<String> tokens) {
        String first = tokens.isEmpty() ? "" : tokens.get(0).toLowerCase(Locale.ROOT);
        if (FINE.contains(first)) {
            return clear(ServiceKind.VAT_INSPECTED, Map.of("clean", true), vessel() + " inspected, clean and whole.");
        }
        for (String token : tokens) {
            Optional<Word> vat = words.vats().stream()
                    .filter(v -> v.code().equalsIgnoreCase(token)
                            || LabelCode.read(token)
                                    .map(l -> l.code().equalsIgnoreCase(v.code()))
                                    .orElse(false))
                    .findFirst();
            if (vat.isPresent()) {
                boolean out = tokens.stream().anyMatch(w -> List.of("out", "off", "removed", "lifted")
                        .contains(w.toLowerCase(Locale.ROOT)));
                return clear(
                        out ? ServiceKind.VAT_REMOVED : ServiceKind.VAT_FITTED,
                        Map.of("vat", vat.get().code()),
                        "vat " + vat.get().code() + (out ? " lifted out." : " fitted, with its film and its hours."));
            }
        }
        List<String> found = List.of(
                "hole",
                "film-pierced",
                "leak",
                "film-pierced",
                "pierced",
                "film-pierced",
                "spill",
                "spill",
                "splash",
                "spill",
                "bits",
                "debris-on-film",
                "dirty",
                "debris-on-film");
        int at = found.indexOf(first);
        if (at >= 0) {
            String cause = found.get(at + 1 - at % 2);
            return clear(
                    ServiceKind.VAT_INSPECTED,
                    Map.of("clean", false, "found", List.of(cause)),
                    vessel() + " inspected, not in order: "
                            + knowledge.cause(cause).orElseThrow().name().toLowerCase(Locale.ROOT) + ".");
        }
        return Reading.unclear(
                "What of the " + vessel() + "?", choices("vat clean", "vat hole", "vat spill", "vat bits"));
    }

    private Reading plate(List<String> tokens) {
        List<String> options = List.of("cleared", "abraded", "deburred", "dropped");
        if (!tokens.isEmpty()) {
            String first = tokens.remove(0).toLowerCase(Locale.ROOT);
            if (List.of("new", "replaced").contains(first)) {
                return service(ServiceKind.PLATE_WORK, "new plate.", Map.of("work", "REPLACED"), tokens);
            }
            Optional<Verb> verb = VERBS.find(first).filter(v -> options.contains(v.words.get(0)));
            if (verb.isPresent()) {
                return read(verb.get(), tokens);
            }
        }
        return Reading.unclear(
                "What of the plate?", choices("plate clear", "plate abraded", "plate deburred", "plate new"));
    }

    private Reading levelled(List<String> tokens) {
        Optional<String> school = FilmWords.take(ServiceKind.LEVELLING, "school", tokens);
        tokens.removeIf(
                w -> List.of("on", "film", "paper", "itself", "by", "the").contains(w.toLowerCase(Locale.ROOT)));
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
        boolean quick = tokens.removeIf(w -> w.equalsIgnoreCase("quick"));
        tokens.removeIf(w -> w.equalsIgnoreCase("full") || w.equalsIgnoreCase("up"));
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

    private Reading lubricated(List<String> tokens) {
        boolean rail = tokens.removeIf(w -> w.equalsIgnoreCase("rail"));
        tokens.removeIf(w -> w.equalsIgnoreCase("screw"));
        return read(rail ? Verb.OILED : Verb.GREASED, tokens);
    }

    private Reading stance(List<String> tokens) {
        tokens.removeIf(w -> FINE.contains(w.toLowerCase(Locale.ROOT))
                || List.of("checked", "firm").contains(w.toLowerCase(Locale.ROOT)));
        return service(ServiceKind.STANCE_CHECKED, "stance checked: firm and level.", Map.of(), tokens);
    }

    private Reading moved(List<String> tokens) {
        tokens.removeIf(w -> w.equalsIgnoreCase("to"));
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

    private Reading pour(List<String> tokens) {
        Amounts amounts = Amounts.in(tokens);
        List<String> names = new ArrayList<>(amounts.words());
        names.removeIf(w -> List.of("up", "of", "with").contains(w.toLowerCase(Locale.ROOT)));
        if (amounts.ml() == null || amounts.ml() <= 0 || amounts.ml() > 20_000) {
            return Reading.unclear(
                    "How much was poured? pour 120ml" + (names.isEmpty() ? "" : " " + String.join(" ", names)),
                    List.of());
        }
        String name = names.isEmpty() ? machine.resin() : String.join(" ", names);
        Optional<Word> resin = name == null
                ? Optional.empty()
                : QuickLine.byName(words.resins()).find(name);
        if (resin.isEmpty()) {
            return Reading.unclear(
                    "Which resin?",
                    choices(words.resins().stream()
                            .limit(5)
                            .map(r -> "pour " + Plain.number(amounts.ml()) + "ml " + r.code())
                            .toArray(String[]::new)));
        }
        boolean mixes =
                machine.resin() != null && !machine.resin().equals(resin.get().code());
        return Reading.clear(
                new Order.Pour(machine.code(), resin.get().code(), amounts.ml()),
                machine.name() + ": " + Plain.number(amounts.ml()) + " ml of "
                        + resin.get().name() + " poured"
                        + (mixes ? " onto another resin: the machine will be held." : "."));
    }

    /** A service with nothing left to explain; words that remain are asked about. */
    private Reading service(ServiceKind kind, String sentence, Map<String, Object> values, List<String> left) {
        return left.isEmpty()
                ? clear(kind, values, sentence)
                : Reading.unclear(
                        "What is " + left.get(0) + "?",
                        List.of(new Choice(start() + shortest(kind), machine.name() + ": " + sentence)));
    }

    private String shortest(ServiceKind kind) {
        return switch (kind) {
            case PLATE_CLEARED -> "cleared";
            case CLEAN_UP -> "cleaned";
            case LUBRICATION -> "greased";
            case LEVELLING -> "levelled";
            case TANK_CHANGE -> "tank new";
            case SCREEN_CHANGE -> "screen new";
            case STANCE_CHECKED -> "stance ok";
            case PLATE_WORK -> "plate abraded";
            case PLATE_DROPPED -> "dropped";
            default -> kind.name().toLowerCase(Locale.ROOT);
        };
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
