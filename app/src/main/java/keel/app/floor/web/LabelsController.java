package keel.app.floor.web;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Fleet;
import keel.app.standing.PartView;
import keel.app.standing.PartsReading;
import keel.app.stores.Bottles;
import keel.app.stores.Stock;
import keel.core.quick.LabelCode;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Labels with QR codes for machines, vats, items of the stores and rooms: a sheet, or a single one. */
@Controller
class LabelsController {

    private final Fleet fleet;
    private final PartsReading parts;
    private final Stock stock;
    private final Bottles bottles;

    LabelsController(Fleet fleet, PartsReading parts, Stock stock, Bottles bottles) {
        this.fleet = fleet;
        this.parts = parts;
        this.stock = stock;
        this.bottles = bottles;
    }

    @GetMapping("/labels")
    String sheet(
            @RequestParam(defaultValue = "machine") String kind,
            @RequestParam(required = false) String only,
            Model model) {
        LabelCode.LabelKind of = Stream.of(LabelCode.LabelKind.values())
                .filter(k -> k.name().equalsIgnoreCase(kind))
                .findFirst()
                .orElse(LabelCode.LabelKind.MACHINE);
        List<Label> labels = labels(of)
                .filter(l -> only == null || l.code().text().equalsIgnoreCase(only))
                .toList();
        model.addAttribute("labels", labels);
        model.addAttribute("kind", of);
        model.addAttribute("only", only);
        model.addAttribute(
                "kinds",
                Map.of("MACHINE", "Machines", "VAT", "Vats", "ITEM", "Stores", "ROOM", "Rooms", "BOTTLE", "Bottles"));
        return "floor/labels";
    }

    private Stream<Label> labels(LabelCode.LabelKind kind) {
        return switch (kind) {
            case MACHINE ->
                fleet.machines().stream()
                        .filter(m -> !m.retired())
                        .map(m -> Label.of(new LabelCode(kind, m.code()), m.name(), m.modelName()));
            case VAT ->
                parts.all(ComponentKind.VAT, false).stream()
                        .sorted(Comparator.comparing(PartView::id))
                        .map(v -> Label.of(
                                new LabelCode(kind, v.code()), "Vat " + v.code(), v.model() == null ? "" : v.model()));
            case ITEM ->
                stock.all(false).stream().map(i -> Label.of(new LabelCode(kind, i.item()), i.name(), i.unit()));
            case BOTTLE ->
                bottles.all(false).stream()
                        .map(b -> Label.of(
                                new LabelCode(kind, b.code()),
                                b.code() + " " + b.resinName(),
                                b.lot() == null ? "" : "lot " + b.lot()));
            case ROOM ->
                fleet.rooms().stream()
                        .filter(r -> !r.retired())
                        .map(r -> Label.of(new LabelCode(kind, r.code()), r.name(), "room"));
        };
    }
}
