package keel.app.stores;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.fleet.ShopSettings;
import keel.app.standing.EveryPart;
import keel.app.standing.MachineNow;
import keel.core.cost.Prices;
import keel.core.cost.SharedUse;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import org.springframework.stereotype.Component;

/** What the shop pays, from what it paid last; its own figures stand in where nothing was. */
@Component
class PricesPaid {

    private final ShopSettings settings;
    private final Sharing sharing;
    private final PriceRecords records;
    private final StockItems items;

    PricesPaid(ShopSettings settings, Sharing sharing, PriceRecords records, StockItems items) {
        this.settings = settings;
        this.sharing = sharing;
        this.records = records;
        this.items = items;
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

        /**
         * For a machine with the film and screen that are on it now; null for any, and {@code resin} null for the
         * shop's usual price.
         */
        Prices of(MachineNow m, String resin) {
            return of(
                    m,
                    resin,
                    m == null || m.film() == null ? null : m.film().code(),
                    m == null || m.screen() == null ? null : m.screen().code());
        }

        /** For a machine with a film and a screen, by their codes; null where it is not known which. */
        Prices of(MachineNow m, String resin, String film, String screenCode) {
            double share = m == null || !(m.uvShare() > 0) ? defaults.value("uv.share") : m.uvShare();
            PartUse lining = m == null ? null : m.liningUse();
            PartUse screen = m == null ? null : m.screenUse();
            PartUse.UsedPart kind = lining == null ? PartUse.UsedPart.FILM : lining.part();
            double filmHours = lining == null
                    ? defaults.value("film.scaleHours")
                    : lining.life().typicalUvHours(share) / share;
            return new Prices(
                    litres.getOrDefault(resin, defaults.value("resin.pricePerLitre")),
                    price(kind, m, film),
                    Math.max(1, filmHours),
                    screen == null ? 0 : price(PartUse.UsedPart.SCREEN, m, screenCode),
                    screen == null ? 1 : Math.max(1, screen.life().typicalUvHours(share)),
                    shared == null ? defaults.value("run.others") : shared.perPrint(),
                    defaults);
        }

        /**
         * What of a part's price its prints have not paid when it ends: all that is left of its usual life, less than
         * nothing where it outlived that.
         *
         * @param m machine that it was on, null for none
         */
        double unpaid(EveryPart.Ended part, MachineNow m) {
            boolean screen = part.kind() == PartUse.UsedPart.SCREEN;
            Prices prices = of(m, null, part.code(), part.code());
            double price = price(part.kind(), m, part.code());
            double life = screen && m != null && m.screenUse() != null
                    ? prices.screenLifeUvHours()
                    : screen
                            ? defaults.usual(part.kind()).typicalUvHours(defaults.value("uv.share"))
                            : prices.filmLifeHours();
            double age = screen ? part.usage().uvHours() : part.usage().hours();
            return price * (1 - age / life);
        }

        /** What was paid for this very part; else what one costs in the stores; else the shop's figure. */
        private double price(PartUse.UsedPart kind, MachineNow m, String part) {
            Double own = part == null ? null : parts.get(part);
            Double spare = m == null ? null : spares.get(kind.name() + " " + m.model());
            return own != null ? own : spare != null ? spare : defaults.value(kind.prefix() + ".price");
        }
    }

    Paid now() {
        return new Paid(
                settings.defaults(),
                litres(),
                prices(records.parts()),
                items.sparePrices().stream()
                        .collect(Collectors.toMap(
                                p -> p.kind() + " " + p.model(), StockItems.SparePrice::price, Math::min)),
                sharing.aPrint().orElse(null));
    }

    /** As the last bottle of each was paid; else as somebody wrote it down. */
    private Map<String, Double> litres() {
        Map<String, Double> litres = prices(records.litres());
        litres.putAll(prices(records.bottles()));
        return litres;
    }

    private static Map<String, Double> prices(List<PriceRecords.Price> of) {
        return of.stream()
                .collect(Collectors.toMap(
                        PriceRecords.Price::code, PriceRecords.Price::price, (a, b) -> b, HashMap::new));
    }
}
