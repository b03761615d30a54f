package keel.app.floor.web;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.floor.begin.MachineSaid;
import keel.core.Findings;
import keel.core.begin.Beginning;
import keel.core.begin.Names;

/**
 * The table of machines as it is typed, a list for each column. Its first row has no name: what stands there holds for
 * every used machine below that says nothing itself.
 */
record BeginMachinesForm(
        List<String> names,
        List<String> presets,
        List<String> rooms,
        List<String> conditions,
        List<String> counterH,
        List<String> filmH,
        List<String> screenUvH,
        List<String> greasedH,
        List<String> abradedH,
        List<String> resins,
        List<String> resinMl,
        List<String> levelledOn) {

    static final String NEW = "NEW";

    private static final List<String> NUMBERS = List.of("filmH", "screenUvH", "greasedH", "abradedH", "resinMl");

    /** A row for each name; those of a kind that is not there are left out. */
    static BeginMachinesForm named(Beginning beginning, Map<String, String> namesByPreset) {
        List<String> names = new ArrayList<>(List.of(""));
        List<String> presets = new ArrayList<>(List.of(""));
        for (Beginning.Preset preset : beginning.models()) {
            for (String name : Names.of(namesByPreset.get(preset.code()))) {
                names.add(name);
                presets.add(preset.code());
            }
        }
        return new BeginMachinesForm(names, presets, null, null, null, null, null, null, null, null, null, null);
    }

    /** Machines, without the row for all. */
    public int count() {
        return names == null ? 0 : Math.max(0, names.size() - 1);
    }

    /** What stands in a cell; row 0 is the one for all. */
    public String cell(String column, int row) {
        List<String> cells = column(column);
        return cells == null || row >= cells.size() || cells.get(row) == null ? "" : cells.get(row);
    }

    private List<String> column(String name) {
        return switch (name) {
            case "names" -> names;
            case "presets" -> presets;
            case "rooms" -> rooms;
            case "conditions" -> conditions;
            case "counterH" -> counterH;
            case "filmH" -> filmH;
            case "screenUvH" -> screenUvH;
            case "greasedH" -> greasedH;
            case "abradedH" -> abradedH;
            case "resins" -> resins;
            case "resinMl" -> resinMl;
            case "levelledOn" -> levelledOn;
            default -> throw new IllegalArgumentException(name);
        };
    }

    /** @throws Refused with the number of the machine before each field, from 0; -1 for the row for all */
    List<MachineSaid> read(String onlyRoom) {
        Findings findings = new Findings();
        for (String column : NUMBERS) {
            Typed.number(cell(column, 0), "-1." + column, findings);
        }
        List<MachineSaid> said = new ArrayList<>();
        for (int row = 1; row <= count(); row++) {
            if (!cell("names", row).isBlank()) {
                said.add(machine(row, onlyRoom, findings));
            }
        }
        Refused.unless(findings);
        return said;
    }

    private MachineSaid machine(int row, String onlyRoom, Findings findings) {
        boolean fresh = NEW.equals(cell("conditions", row));
        String room = fresh || !cell("rooms", row).isBlank() ? cell("rooms", row) : cell("rooms", 0);
        return new MachineSaid(
                cell("names", row).strip(),
                cell("presets", row),
                room.isBlank() ? onlyRoom : room,
                fresh,
                number("counterH", row, fresh, findings),
                number("filmH", row, fresh, findings),
                number("screenUvH", row, fresh, findings),
                number("greasedH", row, fresh, findings),
                number("abradedH", row, fresh, findings),
                Typed.orNull(said("resins", row, fresh)),
                number("resinMl", row, fresh || !cell("resins", row).isBlank(), findings),
                day(row, fresh, findings));
    }

    /** As the row says, else as the row for all says; of a new machine only the former. */
    private String said(String column, int row, boolean alone) {
        String own = cell(column, row);
        return own.isBlank() && !alone ? cell(column, 0) : own;
    }

    private Double number(String column, int row, boolean alone, Findings findings) {
        String own = cell(column, row);
        return own.isBlank() && !alone
                ? Typed.number(cell(column, 0), column, new Findings())
                : Typed.number(own, row - 1 + "." + column, findings);
    }

    private LocalDate day(int row, boolean fresh, Findings findings) {
        try {
            return Typed.day(said("levelledOn", row, fresh), row - 1 + ".levelledOn");
        } catch (Refused e) {
            findings.addAll(e.findings());
            return null;
        }
    }
}
