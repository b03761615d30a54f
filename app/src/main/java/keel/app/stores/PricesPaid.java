package keel.app.stores;

import java.util.HashMap;
import java.util.Map;
import keel.app.fleet.ShopSettings;
import keel.app.standing.MachineNow;
import keel.app.standing.PartView;
import keel.core.cost.Prices;
import keel.core.cost.SharedUse;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What the shop pays, from what it paid last; its own figures stand in where nothing was. */
@Component
class PricesPaid {

    private final ShopSettings settings;
    private final Sharing sharing;
    private final JdbcClient jdbc;

    PricesPaid(ShopSettings settings, Sharing sharing, JdbcClient jdbc) {
        this.settings = settings;
        this.sharing = sharing;
        this.jdbc = jdbc;
    }

    /**
     * All prices at one moment.
     *
     * @param litres money a litre, by resin
     * @param parts of a part that is or was fitted, by its code
     * @param spares of one in the stores, by its kind and the machines that it fits
     * @param shared what prints share out of the stores, null where that is not known
     */
    record Paid(
            Defaults defaults,
            Map<String, Double> litres,
            Map<String, Double> parts,
            Map<String, Double> spares,
            SharedUse shared) {

        /** For a machine; null for any, and {@code resin} null for the shop's usual price. */
        Prices of(MachineNow m, String resin) {
            double share = m == null || !(m.uvShare() > 0) ? defaults.value("uv.share") : m.uvShare();
            PartUse lining = m == null ? null : m.liningUse();
            PartUse screen = m == null ? null : m.screenUse();
            PartUse.UsedPart kind = lining == null ? PartUse.UsedPart.FILM : lining.part();
            double filmHours = lining == null
                    ? defaults.value("film.scaleHours")
                    : lining.life().typicalUvHours(share) / share;
            return new Prices(
                    litres.getOrDefault(resin, defaults.value("resin.pricePerLitre")),
                    price(kind, m, m == null ? null : m.film()),
                    Math.max(1, filmHours),
                    screen == null ? 0 : price(PartUse.UsedPart.SCREEN, m, m.screen()),
                    screen == null ? 1 : Math.max(1, screen.life().typicalUvHours(share)),
                    shared == null ? defaults.value("run.others") : shared.perPrint(),
                    defaults);
        }

        /** What was paid for this very part; else what one costs in the stores; else the shop's figure. */
        private double price(PartUse.UsedPart kind, MachineNow m, PartView part) {
            Double own = part == null ? null : parts.get(part.code());
            Double spare = m == null ? null : spares.get(kind.name() + " " + m.model());
            return own != null ? own : spare != null ? spare : defaults.value(kind.prefix() + ".price");
        }
    }

    Paid now() {
        return new Paid(
                settings.defaults(),
                map(
                        """
                select r.code, coalesce((select b.price / b.full_ml * 1000 from bottle b where b.resin_id = r.id
                and b.price is not null order by b.at desc, b.id desc fetch first row only), r.price_per_litre)
                from resin r"""),
                map("select c.code, coalesce(c.price, m.price) from component c left join part_model m on m.id "
                        + "= c.part_model_id where c.price is not null or m.price is not null"),
                map("select i.spare_kind || ' ' || m.name, min(i.price) from stock_item i join machine_model m "
                        + "on m.id = i.spare_model_id where i.price is not null and i.retired_at is "
                        + "null group by i.spare_kind, m.name"),
                sharing.aPrint().orElse(null));
    }

    private Map<String, Double> map(String sql) {
        Map<String, Double> prices = new HashMap<>();
        jdbc.sql(sql).query(row -> {
            Double price = row.getObject(2, Double.class);
            if (price != null) {
                prices.put(row.getString(1), price);
            }
        });
        return prices;
    }
}
