package keel.demo.instruments;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import keel.app.air.Air;
import keel.app.base.NotThere;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.ModelEntry;
import keel.core.screen.TestPattern;
import keel.core.screen.TestPicture;
import keel.core.standing.MachineKind;
import keel.sim.instrument.AirSensor;
import keel.sim.story.ToolBox;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The shelf with the demo's instruments: what has no place of its own to be typed in yet is read here. */
@Controller
class InstrumentsController {

    private static final double[] THIRDS = {1 / 6.0, 0.5, 5 / 6.0};

    private final SimulatedInstruments instruments;
    private final Fleet fleet;
    private final Air air;

    InstrumentsController(SimulatedInstruments instruments, Fleet fleet, Air air) {
        this.instruments = instruments;
        this.fleet = fleet;
        this.air = air;
    }

    /**
     * UV at nine places, mW/cm², as seen from above with the front below.
     *
     * @param bare on the screen, the vat lifted out
     * @param throughFilm the same with the film under the sensor
     */
    record UvPlace(String name, double bare, double throughFilm) {}

    @GetMapping("/instruments")
    String shelf() {
        String first = fleet.machines().stream()
                .filter(m -> instruments.at(m.code()).isPresent())
                .findFirst()
                .map(m -> m.code())
                .orElseThrow(() -> new NotThere("Simulated instruments come with the demo only."));
        return "redirect:/instruments/" + first;
    }

    @GetMapping("/instruments/{code}")
    String machine(@PathVariable String code, Model model) {
        MachineRef machine = fleet.machine(code);
        ToolBox box = box(code);
        List<UvPlace> uv = nine(machine, box);
        double bare = uv.stream().mapToDouble(UvPlace::bare).average().orElse(0);
        model.addAttribute("machine", machine);
        model.addAttribute(
                "machines",
                fleet.machines().stream()
                        .filter(m -> instruments.at(m.code()).isPresent())
                        .toList());
        model.addAttribute("uv", uv);
        model.addAttribute(
                "lowest",
                bare == 0 ? 0 : uv.stream().mapToDouble(UvPlace::bare).min().orElse(0) / bare);
        model.addAttribute(
                "transmittance",
                bare == 0
                        ? 0
                        : uv.stream()
                                        .mapToDouble(UvPlace::throughFilm)
                                        .average()
                                        .orElse(0)
                                / bare);
        model.addAttribute("taps", machine.traits().kind() != MachineKind.LASER_TANK);
        model.addAttribute("room", fleet.roomOf(machine.id()));
        model.addAttribute(
                "air", box.room(fleet.roomOf(machine.id()), instruments.now()).orElse(null));
        model.addAttribute("resinMl", box.resinMl(code, instruments.now()));
        return "demo/instruments";
    }

    /** Writes the room's reading down. */
    @PostMapping("/instruments/{code}/room")
    String keepRoom(@PathVariable String code) {
        String room = fleet.roomOf(fleet.machine(code).id());
        ToolBox.RoomReading reading = box(code)
                .room(room, instruments.now())
                .orElseThrow(() -> new NotThere("No thermometer hangs in that room."));
        air.read(room, reading.temperatureC(), reading.humidityPercent());
        return "redirect:/instruments/" + code + "?kept";
    }

    @GetMapping(value = "/instruments/{code}/{place}.wav", produces = "audio/wav")
    ResponseEntity<byte[]> taps(@PathVariable String code, @PathVariable String place) {
        byte[] sound = box(code)
                .taps(code, place.equals("quarter"), instruments.now())
                .orElseThrow(() -> new NotThere("The floor of a tank cannot be taken out and tapped."));
        return file(sound, "audio/wav");
    }

    @GetMapping(value = "/instruments/{code}/{picture}.png", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> photo(@PathVariable String code, @PathVariable String picture) {
        ModelEntry model = fleet.modelOf(code);
        if (model.pixelsX() == null || model.pixelsY() == null) {
            throw new NotThere("How many pixels its screen has is not on record.");
        }
        TestPattern pattern = Arrays.stream(TestPattern.values())
                .filter(p -> p.name().equalsIgnoreCase(picture))
                .findFirst()
                .orElse(TestPattern.WHITE);
        byte[] photo = box(code)
                .photograph(code, TestPicture.of(pattern, model.pixelsX(), model.pixelsY()), instruments.now())
                .orElseThrow(() -> new NotThere("This machine has no screen."));
        return file(photo, MediaType.IMAGE_PNG_VALUE);
    }

    /** The room's sensor, a minute a line. */
    @GetMapping(value = "/instruments/rooms/{room}.csv", produces = "text/csv")
    ResponseEntity<byte[]> air(@PathVariable String room) {
        ToolBox box =
                instruments.box().orElseThrow(() -> new NotThere("Simulated instruments come with the demo only."));
        if (box.room(room, instruments.now()).isEmpty()) {
            throw new NotThere("No sensor hangs in a room called " + room + ".");
        }
        StringWriter text = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(
                text,
                CSVFormat.RFC4180
                        .builder()
                        .setHeader("at", "temperatureC", "humidityPercent", "vapourPpb")
                        .build())) {
            for (AirSensor.Minute m : box.lastDay(room, instruments.now())) {
                csv.printRecord(m.at(), m.temperatureC(), m.humidityPercent(), m.vapourPpb());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return file(text.toString().getBytes(StandardCharsets.UTF_8), "text/csv;charset=UTF-8");
    }

    private static ResponseEntity<byte[]> file(byte[] content, String type) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(type))
                .cacheControl(CacheControl.noStore())
                .body(content);
    }

    private List<UvPlace> nine(MachineRef machine, ToolBox box) {
        Instant now = instruments.now();
        List<UvPlace> places = new ArrayList<>();
        List<String> rows = List.of("front", "middle", "back");
        List<String> columns = List.of("left", "middle", "right");
        for (int row = 2; row >= 0; row--) {
            for (int column = 0; column < 3; column++) {
                double x = THIRDS[column] * machine.plateWidthMm();
                double y = THIRDS[row] * machine.plateDepthMm();
                places.add(new UvPlace(
                        rows.get(row) + " " + columns.get(column),
                        box.uv(machine.code(), x, y, false, now),
                        box.uv(machine.code(), x, y, true, now)));
            }
        }
        return places;
    }

    private ToolBox box(String code) {
        return instruments
                .box()
                .filter(b -> b.knows(code))
                .orElseThrow(() -> new NotThere("No simulated instrument can measure "
                        + fleet.machine(code).name() + "."));
    }
}
