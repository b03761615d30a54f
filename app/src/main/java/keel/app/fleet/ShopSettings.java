package keel.app.fleet;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.base.EditedMeanwhile;
import keel.app.base.Refused;
import keel.app.base.Remembered;
import keel.app.base.Seen;
import keel.app.base.ShopZone;
import keel.app.people.Actor;
import keel.app.people.IdleTime;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.Plain;
import keel.core.standing.Defaults;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Name and zone of the shop, and its own figures in place of the defaults. Read on every page, so kept in memory. */
@Service
@Transactional
public class ShopSettings implements ShopZone, IdleTime {

    private static final String WAS = "was.";

    /** Figures are shown rounded. */
    private static final double CLOSE = 1e-3;

    private final Shops shops;
    private final ShopDefaults own;
    private final ShopTexts texts;
    private final Clock clock;
    private final Defaults shipped = Defaults.shipped();
    private final Remembered<Now> now = new Remembered<>();

    private record Now(String name, ZoneId zone, Defaults defaults) {}

    ShopSettings(Shops shops, ShopDefaults own, ShopTexts texts, Clock clock) {
        this.shops = shops;
        this.own = own;
        this.texts = texts;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public String name() {
        return now().name();
    }

    @Override
    @Transactional(readOnly = true)
    public ZoneId zone() {
        return now().zone();
    }

    @Transactional(readOnly = true)
    public Defaults defaults() {
        return now().defaults();
    }

    @Override
    @Transactional(readOnly = true)
    public double idleMinutes() {
        return now().defaults().value("door.idleMinutes");
    }

    public void rename(String name, String zone) {
        rename(name, zone, Seen.NOTHING);
    }

    /** How the shop is called and where it is, in the words of its form. */
    @Transactional(readOnly = true)
    public Map<String, Object> stands() {
        return stands(shops.findById(1).orElseThrow());
    }

    private static Map<String, Object> stands(Shop shop) {
        Map<String, Object> stands = new LinkedHashMap<>();
        stands.put("Name", shop.name);
        stands.put("Time zone", shop.zone);
        return stands;
    }

    /** @throws EditedMeanwhile if somebody else changed it since it was seen */
    public void rename(String name, String zone, Seen seen) {
        Actor.require(Role.OWNER);
        Findings findings = new Findings();
        findings.text(name, 80, "name", "The name of the shop");
        try {
            ZoneId.of(zone == null ? "" : zone);
        } catch (DateTimeException e) {
            findings.add("zone", "There is no time zone called " + zone + ".");
        }
        Refused.unless(findings);
        Shop shop = shops.findById(1).orElseThrow();
        seen.check("shop", stands(shop));
        shop.name = name.strip();
        shop.zone = zone;
        now.forgetAfterwards();
    }

    /**
     * Puts the shop's own figures in place; a figure equal to the shipped one is dropped.
     *
     * @param typed by code; with {@code was.} before the code, what the form showed: a figure that was left as it was
     *     stays as somebody else may have set it meanwhile
     * @throws EditedMeanwhile if somebody else changed one of those that are changed here
     */
    public void changeDefaults(Map<String, String> typed) {
        Actor.require(Role.OWNER);
        shops.lock();
        checkMeanwhile(typed);
        Findings findings = new Findings();
        Map<String, Double> figures = new HashMap<>();
        for (Defaults.Figure figure : shipped.figures()) {
            String text = typed.get(figure.code());
            if (text != null
                    && !text.equals(typed.get(WAS + figure.code()))
                    && findings.range(
                            number(text), figure.low(), figure.high(), figure.code(), figure.name(), figure.unit())) {
                figures.put(figure.code(), number(text));
            }
        }
        Refused.unless(findings);
        figures.forEach((code, amount) -> {
            if (amount == shipped.value(code)) {
                own.deleteById(code);
            } else {
                own.save(new ShopDefault(code, amount));
            }
        });
        now.forgetAfterwards();
    }

    private void checkMeanwhile(Map<String, String> typed) {
        Map<String, Double> kept = own.findAll().stream().collect(Collectors.toMap(d -> d.code, d -> d.amount));
        Map<String, Object> stands = new LinkedHashMap<>();
        for (Defaults.Figure figure : shipped.with(kept).figures()) {
            String was = typed.get(WAS + figure.code());
            boolean changes = was != null && !was.equals(typed.get(figure.code()));
            if (changes && Math.abs(number(was) - figure.value()) > CLOSE * Math.abs(figure.value())) {
                stands.put(figure.name(), Plain.number(figure.value()) + " " + figure.unit());
            }
        }
        if (!stands.isEmpty()) {
            throw new EditedMeanwhile("figure", stands);
        }
    }

    /** Makes others who change what the whole shop goes by wait. */
    public void lock() {
        shops.lock();
    }

    /** What the shop wrote under a code, blank where it wrote nothing. */
    @Transactional(readOnly = true)
    public String text(String code) {
        return texts.findById(code).map(t -> t.text).orElse("");
    }

    public void write(String code, String text) {
        texts.save(new ShopText(code, text, clock.instant()));
    }

    private Now now() {
        return now.get(() -> {
            Shop shop = shops.findById(1).orElseThrow();
            Map<String, Double> figures = own.findAll().stream().collect(Collectors.toMap(d -> d.code, d -> d.amount));
            return new Now(shop.name, ZoneId.of(shop.zone), shipped.with(figures));
        });
    }

    private static Double number(String text) {
        try {
            return Double.valueOf(text.strip().replace(',', '.'));
        } catch (NumberFormatException e) {
            return Double.NaN;
        }
    }
}
