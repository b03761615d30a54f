package keel.app.starting.web;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import keel.app.base.Figures;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.ShopTime;
import keel.app.prints.order.OrderEntry;
import keel.app.prints.order.OrderView;
import keel.app.prints.order.PartEntry;
import keel.core.Findings;

/** An order as it is typed: a row for each part, those without a name left out. */
record OrderForm(
        String name,
        String dueAt,
        List<String> ids,
        List<String> parts,
        List<String> wanted,
        List<String> widths,
        List<String> depths,
        List<String> heights,
        List<String> mls) {

    private static final int FREE_ROWS = 4;
    private static final int LEAST_ROWS = 6;
    private static final Figures FIG = new Figures();

    /** A row as it stands in the form. */
    record PartRow(String id, String name, String wanted, String width, String depth, String height, String ml) {

        static final PartRow EMPTY = new PartRow("", "", "", "", "", "", "");

        /** Nothing is said in it any more, whichever part it was. */
        boolean emptied() {
            return (name + wanted + width + depth + height + ml).isEmpty();
        }
    }

    static OrderForm empty() {
        return new OrderForm("", "", null, null, null, null, null, null, null);
    }

    static OrderForm of(OrderView o, ShopTime times) {
        List<PartEntry> parts =
                o.parts().stream().map(OrderView.PartLine::entry).toList();
        return new OrderForm(
                o.name(),
                times.field(o.dueAt()),
                parts.stream().map(p -> p.id().toString()).toList(),
                parts.stream().map(PartEntry::name).toList(),
                parts.stream().map(p -> p.wanted().toString()).toList(),
                parts.stream().map(p -> FIG.plain(p.widthMm())).toList(),
                parts.stream().map(p -> FIG.plain(p.depthMm())).toList(),
                parts.stream().map(p -> FIG.plain(p.heightMm())).toList(),
                parts.stream().map(p -> FIG.plain(p.ml())).toList());
    }

    /** Those that are filled in, and some free ones. */
    List<PartRow> rows() {
        List<PartRow> rows = new ArrayList<>();
        for (int i = 0; i < size(); i++) {
            rows.add(row(i));
        }
        while (!rows.isEmpty() && rows.get(rows.size() - 1).equals(PartRow.EMPTY)) {
            rows.remove(rows.size() - 1);
        }
        int most = Math.max(LEAST_ROWS, rows.size() + FREE_ROWS);
        while (rows.size() < most) {
            rows.add(PartRow.EMPTY);
        }
        return rows;
    }

    private int size() {
        return parts == null ? 0 : parts.size();
    }

    private PartRow row(int i) {
        return new PartRow(
                at(ids, i), at(parts, i), at(wanted, i), at(widths, i), at(depths, i), at(heights, i), at(mls, i));
    }

    private static String at(List<String> column, int i) {
        return column == null || i >= column.size() || column.get(i) == null
                ? ""
                : column.get(i).strip();
    }

    /** @throws Refused if something is no number, or no time */
    OrderEntry read(ShopTime times) {
        Findings findings = new Findings();
        List<PartEntry> read = new ArrayList<>();
        for (int i = 0; i < size(); i++) {
            PartRow r = row(i);
            if (!r.emptied()) {
                String at = "parts[" + i + "]";
                read.add(new PartEntry(
                        r.id().matches("\\d{1,18}") ? Long.valueOf(r.id()) : null,
                        r.name(),
                        Typed.whole(r.wanted(), at + ".wanted", findings),
                        Typed.number(r.width(), at + ".widthMm", findings),
                        Typed.number(r.depth(), at + ".depthMm", findings),
                        Typed.number(r.height(), at + ".heightMm", findings),
                        Typed.number(r.ml(), at + ".ml", findings)));
            }
        }
        OrderEntry entry = new OrderEntry(name, times.read(dueAt, "dueAt", findings), read);
        Refused.unless(findings);
        return entry;
    }

    /** What is typed first is looked at first. */
    static Comparator<OrderView> byDate() {
        return Comparator.comparing(OrderView::dueAt, Comparator.nullsLast(Comparator.naturalOrder()));
    }
}
