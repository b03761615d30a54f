package keel.app.stores;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.core.film.FilmSeat;
import keel.core.standing.PartUse;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What lies on the shelves for each kind of part and model of machine: spare vats and tanks, sheets of film, screens,
 * and items of the stores that are said to be spares.
 */
@Service
@Transactional(readOnly = true)
class OnHand {

    private static final String VAT = "spare vat with a film";
    private static final String VATS = "spare vats with a film";
    private static final String SHEET = "sheet of film";
    private static final String SHEETS = "sheets of film";

    private final FilmPacks packs;
    private final Stock stock;
    private final Seats seats;
    private final PriceRecords records;

    OnHand(FilmPacks packs, Stock stock, Seats seats, PriceRecords records) {
        this.packs = packs;
        this.stock = stock;
        this.seats = seats;
        this.records = records;
    }

    /** So many of something, like 3 of "sheets of film"; {@code worth} where its price is known, null otherwise. */
    record Lot(int count, String what, Double worth) {

        boolean vats() {
            return what.equals(VAT) || what.equals(VATS);
        }

        boolean sheets() {
            return what.equals(SHEET) || what.equals(SHEETS);
        }
    }

    /** All that is on hand now. */
    final class Shelf {

        private final List<PriceRecords.ShelfScreen> screens;
        private final Map<String, Long> vats;
        private final List<FilmPacks.Pack> sheets;
        private final List<Stock.ItemView> items;
        private final Map<String, FilmSeat> seat;

        private Shelf() {
            screens = records.screens();
            vats = records.vats().stream()
                    .collect(Collectors.toMap(PriceRecords.ShelfVats::model, PriceRecords.ShelfVats::count));
            sheets = packs.inUse();
            items = stock.all(false);
            Function<Long, FilmSeat> measured = seats.all();
            seat = records.models().stream()
                    .collect(Collectors.toMap(PriceRecords.Model::name, m -> measured.apply(m.id())));
        }

        /** For machines of these models. Where packs are kept, an item that counts the same sheets adds nothing. */
        List<Lot> of(PartUse.UsedPart kind, Set<String> models) {
            List<Lot> lots = new ArrayList<>();
            switch (kind) {
                case SCREEN -> screens(models, lots);
                case FILM -> {
                    add(models.stream().mapToLong(m -> vats.getOrDefault(m, 0L)).sum(), VAT, VATS, null, lots);
                    films(models, lots);
                }
                case TANK ->
                    add(
                            models.stream()
                                    .mapToLong(m -> vats.getOrDefault(m, 0L))
                                    .sum(),
                            "spare tank",
                            "spare tanks",
                            null,
                            lots);
                default -> {}
            }
            boolean sheetsCounted =
                    kind == PartUse.UsedPart.FILM && lots.stream().anyMatch(Lot::sheets);
            items.stream()
                    .filter(i -> !sheetsCounted)
                    .filter(i ->
                            kind.name().equals(i.spareKind()) && models.contains(i.spareModel()) && i.quantity() >= 1)
                    .forEach(i -> add((int) i.quantity(), i.name(), i.name(), null, lots));
            return lots;
        }

        private void screens(Set<String> models, List<Lot> lots) {
            Set<Long> seen = new HashSet<>();
            double worth = 0;
            boolean known = true;
            for (PriceRecords.ShelfScreen s : screens) {
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
                    SHEET,
                    SHEETS,
                    known
                            ? fit.stream()
                                    .mapToDouble(p -> p.left() * (p.price() == null ? 0 : p.price()))
                                    .sum()
                            : null,
                    lots);
        }
    }

    /** A hole in a film, or a tank that leaks: what there is to go on with, for machines of a model. */
    AtHand atHand(PartUse.UsedPart kind, String model) {
        List<Lot> lots = shelf().of(kind, Set.of(model));
        boolean film = kind == PartUse.UsedPart.FILM;
        int vats = film ? lots.stream().filter(Lot::vats).mapToInt(Lot::count).sum() : 0;
        boolean counted = !film && !lots.isEmpty()
                || !packs.all().isEmpty()
                || stock.all(false).stream()
                        .anyMatch(i -> kind.name().equals(i.spareKind()) && model.equals(i.spareModel()));
        int rest = lots.stream()
                .filter(l -> !film || !l.vats())
                .mapToInt(Lot::count)
                .sum();
        return new AtHand(vats, counted ? Integer.valueOf(rest) : null);
    }

    private static void add(long count, String one, String several, Double worth, List<Lot> lots) {
        if (count > 0) {
            lots.add(new Lot((int) count, count == 1 ? one : several, worth));
        }
    }

    Shelf shelf() {
        return new Shelf();
    }
}
