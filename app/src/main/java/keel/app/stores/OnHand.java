package keel.app.stores;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.core.film.FilmSeat;
import keel.core.standing.PartUse;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What lies on the shelves for each kind of part and model of machine: spare vats and tanks, sheets of film, screens,
 * and items of the stores that are said to be spares.
 */
@Service
@Transactional(readOnly = true)
class OnHand {

    private final FilmPacks packs;
    private final Stock stock;
    private final Seats seats;
    private final JdbcClient jdbc;

    OnHand(FilmPacks packs, Stock stock, Seats seats, JdbcClient jdbc) {
        this.packs = packs;
        this.stock = stock;
        this.seats = seats;
        this.jdbc = jdbc;
    }

    /** So many of something, like 3 of "sheets of film"; {@code worth} where its price is known, null otherwise. */
    record Lot(int count, String what, Double worth) {}

    /** Parts that lie on the shelf once, though they fit several models: number, models, price. */
    private record Screen(long id, String model, Double price) {}

    /** All that is on hand now. */
    final class Shelf {

        private final List<Screen> screens;
        private final Map<String, Integer> vats;
        private final List<FilmPacks.Pack> sheets;
        private final List<Stock.ItemView> items;
        private final Map<String, FilmSeat> seat;

        private Shelf() {
            screens = jdbc.sql(
                            """
                    select c.id, o.name, coalesce(c.price, p.price) from component c left join part_model p
                    on p.id = c.part_model_id left join part_model_fits x on x.part_model_id = p.id
                    join machine_model o on o.id = coalesce(x.machine_model_id, c.model_id)
                    where c.kind = 'SCREEN' and not c.withdrawn and c.ended_at is null and not exists (select 1
                    from fitting f where f.component_id = c.id and f.removed_at is null)""")
                    .query((row, i) -> new Screen(row.getLong(1), row.getString(2), row.getObject(3, Double.class)))
                    .list();
            vats = new HashMap<>();
            jdbc.sql(
                            """
                    select o.name, count(*) from component v join machine_model o on o.id = v.model_id
                    join fitting f on f.vat_id = v.id and f.removed_at is null
                    join component c on c.id = f.component_id and c.ended_at is null
                    where v.kind = 'VAT' and not v.withdrawn and v.ended_at is null and not exists (select 1
                    from fitting x where x.component_id = v.id and x.removed_at is null) group by o.name""")
                    .query((row, i) -> vats.put(row.getString(1), row.getInt(2)))
                    .list();
            sheets = packs.inUse();
            items = stock.all(false);
            seat = new HashMap<>();
            jdbc.sql("select id, name from machine_model")
                    .query((row, i) -> seat.put(row.getString(2), seats.of(row.getLong(1))))
                    .list();
        }

        /** For machines of these models. */
        List<Lot> of(PartUse.UsedPart kind, Set<String> models) {
            List<Lot> lots = new ArrayList<>();
            switch (kind) {
                case SCREEN -> screens(models, lots);
                case FILM -> {
                    add(
                            models.stream()
                                    .mapToInt(m -> vats.getOrDefault(m, 0))
                                    .sum(),
                            "spare vat with a film",
                            "spare vats with a film",
                            null,
                            lots);
                    films(models, lots);
                }
                case TANK ->
                    add(
                            models.stream()
                                    .mapToInt(m -> vats.getOrDefault(m, 0))
                                    .sum(),
                            "spare tank",
                            "spare tanks",
                            null,
                            lots);
                default -> {}
            }
            items.stream()
                    .filter(i ->
                            kind.name().equals(i.spareKind()) && models.contains(i.spareModel()) && i.quantity() >= 1)
                    .forEach(i -> add((int) i.quantity(), i.name(), i.name(), null, lots));
            return lots;
        }

        private void screens(Set<String> models, List<Lot> lots) {
            Set<Long> seen = new HashSet<>();
            double worth = 0;
            boolean known = true;
            for (Screen s : screens) {
                if (models.contains(s.model()) && seen.add(s.id())) {
                    known &= s.price() != null;
                    worth += s.price() == null ? 0 : s.price();
                }
            }
            add(seen.size(), "screen on the shelf", "screens on the shelf", known ? worth : null, lots);
        }

        private void films(Set<String> models, List<Lot> lots) {
            List<FilmPacks.Pack> fit = sheets.stream()
                    .filter(p -> models.stream()
                            .map(seat::get)
                            .anyMatch(s -> s != null
                                    && s.sheetLengthMm() != null
                                    && s.sheetWidthMm() != null
                                    && p.covers(s.sheetLengthMm(), s.sheetWidthMm())))
                    .toList();
            boolean known = fit.stream().allMatch(p -> p.price() != null);
            add(
                    fit.stream().mapToInt(FilmPacks.Pack::left).sum(),
                    "sheet of film",
                    "sheets of film",
                    known
                            ? fit.stream()
                                    .mapToDouble(p -> p.left() * (p.price() == null ? 0 : p.price()))
                                    .sum()
                            : null,
                    lots);
        }
    }

    private static void add(int count, String one, String several, Double worth, List<Lot> lots) {
        if (count > 0) {
            lots.add(new Lot(count, count == 1 ? one : several, worth));
        }
    }

    Shelf shelf() {
        return new Shelf();
    }
}
