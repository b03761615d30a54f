package keel.app.starting.web;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import keel.app.standing.StackDrawing;
import keel.core.gate.GateItem;

/**
 * The questions that stand at one part, with where a line from the left meets it in the drawing; parts from the top of
 * the stack to the bottom, what is no part last.
 *
 * @param x px, null where it is no part of the machine
 * @param y px, null likewise
 */
record GateRow(String name, List<GateItem> items, Double x, Double y) {

    static List<GateRow> of(List<GateItem> items, StackDrawing drawing, String vessel) {
        Map<GateItem.GatePart, List<GateItem>> byPart = new EnumMap<>(GateItem.GatePart.class);
        items.forEach(i -> byPart.computeIfAbsent(
                        i.part() == GateItem.GatePart.ROOM ? GateItem.GatePart.JOB : i.part(), p -> new ArrayList<>())
                .add(i));
        StackDrawing.Frame f = drawing.frame();
        List<GateRow> rows = new ArrayList<>();
        byPart.forEach((part, at) -> rows.add(
                switch (part) {
                    case PLATE ->
                        new GateRow("Plate", at, f.plate().x(), f.plate().middleY());
                    case RESIN ->
                        new GateRow("Resin", at, f.vat().x() + 10, f.vat().bottom() - 15);
                    case VAT ->
                        new GateRow(
                                Character.toUpperCase(vessel.charAt(0)) + vessel.substring(1),
                                at,
                                f.vat().x(),
                                f.vat().y() + 8);
                    case FILM ->
                        new GateRow(
                                vessel.equals("tank") ? "Lining" : "Film",
                                at,
                                f.film().x(),
                                f.film().middleY());
                    case SCREEN ->
                        new GateRow(
                                "Screen",
                                at,
                                f.film().x(),
                                f.screen() == null
                                        ? f.film().bottom()
                                        : f.screen().middleY());
                    case JOB, ROOM -> new GateRow("Job and room", at, null, null);
                }));
        return rows;
    }
}
