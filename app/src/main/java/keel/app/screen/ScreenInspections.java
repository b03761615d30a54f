package keel.app.screen;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.fleet.Fleet;
import keel.app.fleet.ModelEntry;
import keel.app.standing.MachineNow;
import keel.core.screen.GreyPhoto;
import keel.core.screen.ScreenInspection;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.TestPattern;
import keel.core.screen.TestPicture;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Inspects screens by photograph, and writes inspections down. */
@Service
@Transactional
public class ScreenInspections {

    private static final ObjectMapper JSON = new ObjectMapper();

    private final ScreenShots shots;
    private final Fleet fleet;
    private final Bench bench;

    ScreenInspections(ScreenShots shots, Fleet fleet, Bench bench) {
        this.shots = shots;
        this.fleet = fleet;
        this.bench = bench;
    }

    /**
     * Looks at a photograph and keeps it with what is seen. Answers its number.
     *
     * @throws Refused at {@code photo}, with a sentence, if it is none of this picture
     */
    public long look(MachineNow m, byte[] bytes, TestPattern pattern) {
        GreyPhoto photo = ScreenPhotos.read(bytes);
        ScreenInspection seen = ScreenInspection.of(photo, picture(m, pattern), m.plateWidthMm(), m.plateDepthMm());
        if (!seen.found()) {
            throw new Refused("photo", seen.message());
        }
        return shots.keep(m, bytes, photo, pattern, seen);
    }

    /** Writes down all that is seen on a photograph, and what was seen besides. */
    public void writeAll(MachineNow m, long photo, List<Spot> besides) {
        write(
                m,
                photo,
                IntStream.range(0, shots.one(m, photo).seen().spots().size())
                        .boxed()
                        .toList(),
                besides);
    }

    /**
     * Writes an inspection down; holds and the advice where to print follow.
     *
     * @param photo that it is written down from, null for one by eye
     * @param accepted places in the list of what was seen on it
     * @param besides further spots
     */
    public void write(MachineNow m, Long photo, List<Integer> accepted, List<Spot> besides) {
        List<Spot> spots = new ArrayList<>();
        Map<String, Object> content = new LinkedHashMap<>();
        if (photo != null) {
            ScreenShots.Seen seen = shots.one(m, photo).seen();
            accepted.stream()
                    .distinct()
                    .filter(i -> i >= 0 && i < seen.spots().size())
                    .forEach(i -> spots.add(seen.spots().get(i)));
            if (!seen.hidden().isEmpty()) {
                content.put("notSeen", seen.notSeen());
                content.put("hidden", JSON.convertValue(seen.hidden(), List.class));
            }
        }
        spots.addAll(besides);
        content.put("clean", spots.isEmpty());
        content.put("spots", spots.stream().map(ScreenInspections::said).toList());
        long service = bench.record(new ServiceEntry(m.code(), "SCREEN_INSPECTED", null, null, content))
                .id();
        if (photo != null) {
            shots.written(photo, service);
        }
    }

    /** Without what was not measured. */
    private static Map<String, Object> said(Spot spot) {
        Map<String, Object> said = new LinkedHashMap<>();
        said.put("kind", spot.kind().name());
        said.put("xMm", spot.xMm());
        said.put("yMm", spot.yMm());
        said.put("sizeMm", spot.sizeMm());
        said.put("confidence", spot.confidence());
        said.put("lengthMm", spot.lengthMm());
        said.put("light", spot.light());
        said.put("acrossMm", spot.acrossMm());
        said.put("deepMm", spot.deepMm());
        said.values().removeIf(Objects::isNull);
        return said;
    }

    /** A test picture at the pixels of a machine's screen. */
    @Transactional(readOnly = true)
    public TestPicture picture(MachineNow m, TestPattern pattern) {
        ModelEntry model = fleet.modelOf(m.code());
        if (model.pixelsX() == null || model.pixelsY() == null) {
            throw new NotThere("How many pixels the screen of " + m.name()
                    + " has is not on record: say it under Set-up, at its model.");
        }
        return TestPicture.of(pattern, model.pixelsX(), model.pixelsY());
    }
}
