package keel.app.floor.bring;

import static keel.core.bring.BringField.HOURS;
import static keel.core.bring.BringField.MODEL;
import static keel.core.bring.BringField.NAME;
import static keel.core.bring.BringField.ROOM;
import static keel.core.bring.BringField.SINCE;

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
        String model = model(row.text(MODEL));
        String room = room(row.text(ROOM));
        Instant since = row.moment(SINCE);
        Double hours = row.number(HOURS);
        boolean named = row.has(NAME);
        if (model == null) {
            row.wrong(MODEL, "There is no model called " + row.text(MODEL) + ": set it up first.");
        }
        if (room == null) {
            row.wrong(ROOM, "There is no room called " + row.text(ROOM) + ": set it up first.");
        }
        if (!named) {
            row.wrong(NAME, "Its name is missing.");
        }
        if (model == null || room == null || !named) {
            return Optional.empty();
        }
        Optional<Fleet.MachineView> there = fleet.machines().stream()
                .filter(m -> m.name().equalsIgnoreCase(row.text(NAME)))
                .findFirst();
        return there.isPresent()
                ? back(there.get())
                : Optional.of(fleet.addMachine(entry(row.text(NAME), model, room, since, hours)));
    }

    private String model(String called) {
        return fleet.models().stream()
                .filter(m -> !m.retired())
                .filter(m -> called.equalsIgnoreCase(m.code())
                        || called.equalsIgnoreCase(m.entry().name()))
                .map(Fleet.ModelView::code)
                .findFirst()
                .orElse(null);
    }

    private String room(String called) {
        return fleet.rooms().stream()
                .filter(r -> !r.retired())
                .filter(r -> called.equalsIgnoreCase(r.code()) || called.equalsIgnoreCase(r.name()))
                .map(Fleet.RoomView::code)
                .findFirst()
                .orElse(null);
    }

    private static MachineEntry entry(String name, String model, String room, Instant since, Double hours) {
        MachineEntry e = MachineEntry.EMPTY;
        return new MachineEntry(
                name,
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
                e.before());
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
