package keel.app.floor.web;

import java.util.ArrayList;
import java.util.List;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.ShopTime;
import keel.app.floor.begin.FirstPrint;
import keel.app.floor.begin.LastPrints;
import keel.app.standing.MachineNow;
import keel.core.Findings;

/** The last print of each machine that has none on record, a list for each column; the first row is of no machine. */
record BeginPrintsForm(
        List<String> machines,
        List<String> jobs,
        List<String> hours,
        List<String> endedAt,
        List<String> outcomes,
        Boolean cleared) {

    static final BeginPrintsForm EMPTY = new BeginPrintsForm(null, null, null, null, null, null);

    /** A box that is not ticked is not sent. */
    public boolean plateClear() {
        return Boolean.TRUE.equals(cleared);
    }

    /** Those that have not printed yet; where something was typed, those that were asked about, in the same order. */
    List<MachineNow> rows(List<MachineNow> all) {
        if (machines == null) {
            return FirstPrint.of(all).stream().map(FirstPrint::machine).toList();
        }
        return machines.stream()
                .flatMap(code -> all.stream().filter(m -> m.code().equals(code)))
                .toList();
    }

    /** What was typed in a row. */
    public String typed(String column, int row) {
        List<String> cells =
                switch (column) {
                    case "machines" -> machines;
                    case "jobs" -> jobs;
                    case "hours" -> hours;
                    case "endedAt" -> endedAt;
                    default -> outcomes;
                };
        return cells == null || row >= cells.size() || cells.get(row) == null ? "" : cells.get(row);
    }

    /**
     * Null for a row in which nothing was said.
     *
     * @throws Refused with the row before each field
     */
    List<LastPrints.Remembered> read(ShopTime times) {
        Findings findings = new Findings();
        List<LastPrints.Remembered> prints = new ArrayList<>();
        for (int row = 0; machines != null && row < machines.size(); row++) {
            boolean said = !(typed("jobs", row) + typed("hours", row) + typed("endedAt", row)).isBlank();
            prints.add(said && !typed("machines", row).isEmpty() ? print(row, times, findings) : null);
        }
        Refused.unless(findings);
        return prints;
    }

    private LastPrints.Remembered print(int row, ShopTime times, Findings findings) {
        return new LastPrints.Remembered(
                typed("machines", row),
                typed("jobs", row),
                Typed.hours(typed("hours", row), row + ".hours", findings),
                times.read(typed("endedAt", row), row + ".endedAt", findings),
                typed("outcomes", row));
    }
}
