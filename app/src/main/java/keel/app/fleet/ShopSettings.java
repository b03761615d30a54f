package keel.app.fleet;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.Map;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.standing.Defaults;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Name and zone of the shop, and its own figures in place of the defaults. Read on every page, so kept in memory. */
@Service
@Transactional
public class ShopSettings {

    private final Shops shops;
    private final JdbcClient jdbc;
    private final Defaults shipped = Defaults.shipped();
    private volatile Now now;

    private record Now(String name, ZoneId zone, Defaults defaults) {}

    ShopSettings(Shops shops, JdbcClient jdbc) {
        this.shops = shops;
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    public String name() {
        return now().name();
    }

    @Transactional(readOnly = true)
    public ZoneId zone() {
        return now().zone();
    }

    @Transactional(readOnly = true)
    public Defaults defaults() {
        return now().defaults();
    }

    public void rename(String name, String zone) {
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
        shop.name = name.strip();
        shop.zone = zone;
        forgetAfterCommit();
    }

    /** Puts the shop's own figures in place; a figure equal to the shipped one is dropped. */
    public void changeDefaults(Map<String, String> typed) {
        Actor.require(Role.OWNER);
        Findings findings = new Findings();
        Map<String, Double> own = new HashMap<>();
        for (Defaults.Figure figure : shipped.figures()) {
            String text = typed.get(figure.code());
            if (text != null
                    && findings.range(
                            number(text), figure.low(), figure.high(), figure.code(), figure.name(), figure.unit())) {
                own.put(figure.code(), number(text));
            }
        }
        Refused.unless(findings);
        own.forEach((code, amount) -> {
            jdbc.sql("delete from shop_default where code = ?").param(code).update();
            if (amount != shipped.value(code)) {
                jdbc.sql("insert into shop_default (code, amount) values (?, ?)")
                        .params(code, amount)
                        .update();
            }
        });
        forgetAfterCommit();
    }

    private void forgetAfterCommit() {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCompletion(int status) {
                now = null;
            }
        });
    }

    private Now now() {
        Now known = now;
        if (known == null) {
            Shop shop = shops.findById(1).orElseThrow();
            Map<String, Double> own = new HashMap<>();
            jdbc.sql("select code, amount from shop_default")
                    .query((row, i) -> own.put(row.getString(1), row.getDouble(2)))
                    .list();
            known = new Now(shop.name, ZoneId.of(shop.zone), shipped.with(own));
            now = known;
        }
        return known;
    }

    private static Double number(String text) {
        try {
            return Double.valueOf(text.strip().replace(',', '.'));
        } catch (NumberFormatException e) {
            return Double.NaN;
        }
    }
}
