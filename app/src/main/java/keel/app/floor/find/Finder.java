package keel.app.floor.find;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopTime;
import keel.app.floor.Handbook;
import keel.app.prints.order.OrderView;
import keel.app.prints.order.Orders;
import keel.app.standing.PartView;
import keel.app.standing.PartsReading;
import keel.app.stores.Bottles;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.core.find.Findable;
import keel.core.find.Search;
import keel.core.knowledge.Knowledge;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** All that can be found in the shop, and what of it somebody means. */
@Service
@Transactional(readOnly = true)
public class Finder {

    public static final int MOST = 30;
    private static final int OF_A_KIND = 8;
    private static final int LONGEST = 100;
    private static final Limit LATELY = Limit.of(300);
    private static final Limit OLDER = Limit.of(40);
    private static final Pattern NUMBER = Pattern.compile("(?<![\\p{L}\\d.,])(\\d{1,12})(?![\\p{L}\\d.,])");
    private static final int LEAST_OF_JOB = 4;

    private final Fleet fleet;
    private final PartsReading parts;
    private final Bottles bottles;
    private final Resins resins;
    private final Stock stock;
    private final Orders orders;
    private final Handbook handbook;
    private final Knowledge knowledge;
    private final ShopTime times;
    private final FindRecords records;

    Finder(
            Fleet fleet,
            PartsReading parts,
            Bottles bottles,
            Resins resins,
            Stock stock,
            Orders orders,
            Handbook handbook,
            Knowledge knowledge,
            ShopTime times,
            FindRecords records) {
        this.fleet = fleet;
        this.parts = parts;
        this.bottles = bottles;
        this.resins = resins;
        this.stock = stock;
        this.orders = orders;
        this.handbook = handbook;
        this.knowledge = knowledge;
        this.times = times;
        this.records = records;
    }

    /** The best first, {@link #MOST} at most; nothing for nothing. */
    public List<Findable> find(String q) {
        return find(q, true);
    }

    /** The same for every letter that is typed: jobs of long ago are not looked through. */
    public List<Findable> whileTyping(String q) {
        return find(q, false);
    }

    private List<Findable> find(String q, boolean older) {
        String asked = q == null ? "" : q.strip();
        if (asked.isEmpty()) {
            return List.of();
        }
        String shortened = asked.substring(0, Math.min(LONGEST, asked.length()));
        return mixed(Search.of(shortened, all(shortened, older), Integer.MAX_VALUE));
    }

    /** Of one kind no more than a few where there are others: a machine's hundred prints do not hide its vat. */
    private static List<Findable> mixed(List<Findable> found) {
        long kinds = found.stream().map(Findable::kind).distinct().count();
        Map<String, Integer> told = new HashMap<>();
        return found.stream()
                .filter(f -> kinds == 1 || told.merge(f.kind(), 1, Integer::sum) <= OF_A_KIND)
                .limit(MOST)
                .toList();
    }

    private List<Findable> all(String q, boolean older) {
        List<Findable> all = new ArrayList<>(Places.ALL);
        fleet.machines()
                .forEach(m -> all.add(new Findable(
                        "machine", m.name(), "/machines/" + m.code(), m.modelName() + " " + m.roomName())));
        parts(all);
        bottles.all(true)
                .forEach(b -> all.add(new Findable(
                        "bottle",
                        b.code() + " " + b.resinName(),
                        "/stores/bottles/" + b.code(),
                        b.lot() == null ? "" : "lot " + b.lot())));
        resins.all(false).forEach(r -> all.add(new Findable("resin", r.name(), "/stores/resins/" + r.code(), "")));
        stock.all(false).forEach(i -> all.add(new Findable("stores", i.name(), "/stores/" + i.item(), i.unit())));
        fleet.roomPlaces()
                .forEach(r -> all.add(new Findable("room", r.name(), "/air/rooms/" + r.code(), "air ventilation")));
        handbook.chapters()
                .forEach(c -> all.add(new Findable("help", c.title(), "/help/" + c.code(), headings(c.text()))));
        orders.open()
                .forEach(o -> all.add(new Findable(
                        "order",
                        o.name(),
                        "/orders/" + o.id(),
                        o.parts().stream().map(OrderView.PartLine::name).collect(Collectors.joining(" ")))));
        runs(q, older, all);
        failures(q, all);
        return all;
    }

    /** What a chapter sets in bold or as a heading, and its name in the address. */
    private static String headings(String text) {
        Matcher bold = Pattern.compile("\\*\\*([^*]+)\\*\\*|^#+ (.+)$", Pattern.MULTILINE)
                .matcher(text);
        return bold.results()
                .map(r -> r.group(1) == null ? r.group(2) : r.group(1))
                .collect(Collectors.joining(" "));
    }

    private void parts(List<Findable> all) {
        parts.all(ComponentKind.VAT, false)
                .forEach(v -> all.add(new Findable(
                        "vat", v.code(), "/vats/" + v.code(), words(v.carrierName(), v.model(), v.filmCode()))));
        parts.all(ComponentKind.FILM, false)
                .forEach(f -> all.add(new Findable(
                        "film",
                        f.code(),
                        f.carrier() == null ? "/bench/films" : "/vats/" + f.carrier(),
                        words(f.material(), f.carrier(), f.vatMachine()))));
        Stream.of(ComponentKind.SCREEN, ComponentKind.LIGHT)
                .flatMap(kind -> parts.all(kind, false).stream())
                .forEach(s -> all.add(new Findable(
                        s.kind() == ComponentKind.SCREEN ? "screen" : "light",
                        s.code(),
                        s.kind() == ComponentKind.SCREEN ? "/bench/screens/" + s.code() : at(s),
                        words(s.carrierName(), s.model(), s.serial()))));
    }

    private static String at(PartView part) {
        return part.carrier() == null ? "/bench/screens" : "/machines/" + part.carrier();
    }

    private static String words(String... some) {
        return Stream.of(some).filter(s -> s != null && !s.isEmpty()).collect(Collectors.joining(" "));
    }

    private void runs(String q, boolean older, List<Findable> all) {
        Map<Long, FindRecords.RunLine> lines = new LinkedHashMap<>();
        records.runs(LATELY).forEach(r -> lines.put(r.id(), r));
        String asked = q.toLowerCase(Locale.ROOT);
        String machine = fleet.machines().stream()
                .map(m -> m.name())
                .filter(name -> asked.contains(name.toLowerCase(Locale.ROOT)))
                .max(Comparator.comparing(String::length))
                .orElse("");
        String longest = Stream.of(
                        asked.replace(machine.toLowerCase(Locale.ROOT), " ").split("[^\\p{L}]+"))
                .max(Comparator.comparing(String::length))
                .orElse("");
        if (older && (longest.length() >= LEAST_OF_JOB || number(q) >= 0)) {
            String like = longest.length() >= LEAST_OF_JOB ? "%" + longest + "%" : "";
            records.older(number(q), like, machine, OLDER).forEach(r -> lines.putIfAbsent(r.id(), r));
        }
        lines.values()
                .forEach(r -> all.add(new Findable(
                        "run",
                        "Run " + r.id() + ": " + r.job(),
                        "/runs/" + r.id(),
                        words("job", r.machine(), times.day(r.at())))));
    }

    /** A number that stands by itself, −1 where there is none. */
    private static long number(String q) {
        Matcher number = NUMBER.matcher(q);
        return number.find() ? Long.parseLong(number.group(1)) : -1;
    }

    private void failures(String q, List<Findable> all) {
        Map<Long, FindRecords.FailureLine> lines = new LinkedHashMap<>();
        records.failures(LATELY).forEach(f -> lines.put(f.id(), f));
        if (number(q) >= 0) {
            records.failure(number(q)).forEach(f -> lines.putIfAbsent(f.id(), f));
        }
        Map<Long, String> signs = lines.isEmpty()
                ? Map.of()
                : records.signs(lines.keySet()).stream()
                        .collect(Collectors.groupingBy(
                                FindRecords.Sign::failure,
                                Collectors.mapping(s -> symptom(s.symptom()), Collectors.joining(", "))));
        lines.values()
                .forEach(f -> all.add(new Findable(
                        "failure",
                        "Failure " + f.id() + ": " + signs.getOrDefault(f.id(), "no sign told"),
                        "/failures/" + f.id(),
                        words(f.machine(), times.day(f.at()), cause(f.cause())))));
    }

    private String symptom(String code) {
        return knowledge
                .symptom(code)
                .map(s -> s.name().toLowerCase(Locale.ROOT))
                .orElse(code);
    }

    private String cause(String code) {
        return code == null ? "" : knowledge.cause(code).map(c -> c.name()).orElse(code);
    }
}
