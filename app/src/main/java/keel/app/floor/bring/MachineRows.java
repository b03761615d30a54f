package keel.app.floor.bring;

import static keel.core.bring.BringField.*;

import java.time.Instant;
import java.util.Optional;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineEntry;
import keel.core.bring.BringKind;
import org.springframework.stereotype.Component;

/** Machines of a table: model and room by code or name, both there already; the film as usual, its hours not known. */
@Component
class MachineRows implements RowWriter {

    private final Fleet fleet;

    MachineRows(Fleet fleet) {
        this.fleet = fleet;
    }

    @Override
    public BringKind kind() {
        return BringKind.MACHINES;
    }

    @Override
    public Optional<String> write(BringRow row) {
        String model = fleet.models().stream()
                .filter(m -> !m.retired())
                .filter(m -> row.text(MODEL).equalsIgnoreCase(m.code())
                        || row.text(MODEL).equalsIgnoreCase(m.entry().name()))
                .map(Fleet.ModelView::code)
                .findFirst()
                .orElse(null);
        String room = fleet.rooms().stream()
                .filter(r -> !r.retired())
                .filter(r -> row.text(ROOM).equalsIgnoreCase(r.code())
                        || row.text(ROOM).equalsIgnoreCase(r.name()))
                .map(Fleet.RoomView::code)
                .findFirst()
                .orElse(null);
        Instant since = row.moment(SINCE);
        Double hours = row.number(HOURS);
        if (model == null) {
            row.wrong(MODEL, "There is no model called " + row.text(MODEL) + ": set it up first.");
        }
        if (room == null) {
            row.wrong(ROOM, "There is no room called " + row.text(ROOM) + ": set it up first.");
        }
        if (!row.has(NAME)) {
            row.wrong(NAME, "Its name is missing.");
        }
        if (model == null || room == null || !row.has(NAME)) {
            return Optional.empty();
        }
        Optional<Fleet.MachineView> there = fleet.machines().stream()
                .filter(m -> m.name().equalsIgnoreCase(row.text(NAME)))
                .findFirst();
        if (there.isPresent()) {
            return back(there.get());
        }
        MachineEntry e = MachineEntry.EMPTY;
        return Optional.of(fleet.addMachine(new MachineEntry(
                row.text(NAME),
                model,
                room,
                e.levellingSchool(),
                e.levelsAfterEachPrint(),
                e.sievesAfterEachPrint(),
                since,
                hours == null ? 0 : hours,
                e.filmMaterial(),
                e.filmThicknessMm(),
                null,
                null,
                null,
                e.before())));
    }

    /** One that left the shop, as after a table was taken back, comes back. */
    private Optional<String> back(Fleet.MachineView there) {
        if (!there.retired()) {
            return Optional.empty();
        }
        fleet.retireMachine(there.code(), false);
        return Optional.of(there.code());
    }

    /** @throws Refused if it prints just now */
    @Override
    public void takeBack(String subject) {
        fleet.retireMachine(subject, true);
    }
}
