package keel.app.standing;

import java.nio.ByteBuffer;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import keel.core.placement.PlateCells;
import keel.core.placement.WearMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Maps of what each cell of a film or screen has been through. Derived: a map that lacks only later runs is added to,
 * any other is summed anew from the runs; which of the two is told by the part's meter, which counts the same runs.
 */
@Service
@Transactional
public class WearMaps {

    private static final double ALIKE = 1e-9;

    private final WearMapRecords records;

    WearMaps(WearMapRecords records) {
        this.records = records;
    }

    /**
     * A map with how much of the part's use it holds.
     *
     * @param placedUvHours of the {@code uvHours} that it has been through since it was put on record
     * @param placedPrints of the {@code prints}
     */
    public record Known(WearMap map, double uvHours, double placedUvHours, long prints, long placedPrints) {

        /** Share of its UV hours of which the place is known; 1 where it has none. */
        public double placed() {
            return uvHours > 0 ? placedUvHours / uvHours : 1;
        }
    }

    /** Of a film or screen; empty where it is on no plate that is known. */
    @Transactional(readOnly = true)
    public Optional<Known> of(long componentId) {
        return records.worn(componentId).map(worn -> {
            WornPart part = WornPart.of(worn);
            return new Known(
                    map(part.cells(), part.bytes()),
                    part.mapped().uvHours(),
                    part.placedUvHours(),
                    part.mapped().prints(),
                    part.placedPrints());
        });
    }

    private record Counted(long prints, double uvHours, long layers) {

        private static final Counted NOTHING = new Counted(0, 0, 0);

        static Counted of(Meter meter) {
            return meter == null ? NOTHING : new Counted(meter.prints, meter.uvHours, meter.layers);
        }

        Counted plus(List<WearMapRecords.Printed> runs) {
            return new Counted(
                    prints + runs.size(),
                    uvHours
                            + runs.stream()
                                    .mapToDouble(WearMapRecords.Printed::uvHours)
                                    .sum(),
                    layers
                            + runs.stream()
                                    .mapToLong(WearMapRecords.Printed::layers)
                                    .sum());
        }

        boolean same(Counted other) {
            return prints == other.prints
                    && layers == other.layers
                    && Math.abs(uvHours - other.uvHours) <= ALIKE * Math.max(1, Math.abs(other.uvHours));
        }
    }

    private record WornPart(
            long id,
            PlateCells cells,
            Counted metered,
            Counted mapped,
            double placedUvHours,
            long placedPrints,
            Instant through,
            byte[] bytes) {

        static WornPart of(WearMapRecords.Worn worn) {
            PlateCells cells = new PlateCells(worn.widthMm(), worn.depthMm());
            WearMapRecord map = worn.map();
            return map == null
                    ? new WornPart(worn.part(), cells, Counted.of(worn.meter()), Counted.NOTHING, 0, 0, null, null)
                    : new WornPart(
                            worn.part(),
                            cells,
                            Counted.of(worn.meter()),
                            new Counted(map.prints, map.uvHours, map.layers),
                            map.placedUvHours,
                            map.placedPrints,
                            map.through,
                            map.cells);
        }

        boolean upToDate() {
            return mapped.same(metered) && (through == null || whole());
        }

        /** Whether its map is of the plate as it is on record now. */
        boolean whole() {
            return bytes != null && bytes.length == cells.count() * 2 * Double.BYTES;
        }

        WornPart anew() {
            return new WornPart(id, cells, metered, Counted.NOTHING, 0, 0, null, null);
        }
    }

    /** Brings the maps of these parts up to their meters; others among them are passed over. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void follow(List<Long> parts) {
        parts.forEach(part -> records.worn(part)
                .map(WornPart::of)
                .filter(worn -> !worn.upToDate())
                .ifPresent(this::follow));
    }

    private void follow(WornPart part) {
        List<WearMapRecords.Printed> later =
                records.printed(part.id(), part.through() == null ? Instant.EPOCH : part.through());
        boolean adds = part.through() == null
                || part.whole() && part.mapped().plus(later).same(part.metered());
        if (adds) {
            write(part, later);
        } else {
            write(part.anew(), records.printed(part.id(), Instant.EPOCH));
        }
    }

    private void write(WornPart part, List<WearMapRecords.Printed> runs) {
        WearMap map = map(part.cells(), part.bytes());
        WearMapRecord kept = records.findById(part.id()).orElseGet(WearMapRecord::new);
        kept.componentId = part.id();
        kept.across = part.cells().across();
        kept.deep = part.cells().deep();
        kept.placedUvHours = part.placedUvHours();
        kept.placedPrints = part.placedPrints();
        kept.through = part.through();
        for (WearMapRecords.Printed run : runs) {
            if (run.footprint() != null) {
                map.add(Footprints.read(run.footprint()), run.uvHours(), run.layers());
                kept.placedUvHours += run.uvHours();
                kept.placedPrints++;
            }
            kept.through =
                    kept.through == null || run.startedAt().isAfter(kept.through) ? run.startedAt() : kept.through;
        }
        kept.cells = bytes(map);
        kept.prints = part.metered().prints();
        kept.uvHours = part.metered().uvHours();
        kept.layers = part.metered().layers();
        records.save(kept);
    }

    private static byte[] bytes(WearMap map) {
        ByteBuffer buffer = ByteBuffer.allocate(map.cells().count() * 2 * Double.BYTES);
        for (double value : map.uvHours()) {
            buffer.putDouble(value);
        }
        for (double value : map.peels()) {
            buffer.putDouble(value);
        }
        return buffer.array();
    }

    /** Empty where there is none, or where the model's plate was measured anew since. */
    private static WearMap map(PlateCells cells, byte[] bytes) {
        if (bytes == null || bytes.length != cells.count() * 2 * Double.BYTES) {
            return WearMap.empty(cells);
        }
        double[] uv = new double[cells.count()];
        double[] peels = new double[cells.count()];
        ByteBuffer buffer = ByteBuffer.wrap(bytes);
        buffer.asDoubleBuffer().get(uv).get(peels);
        return WearMap.of(cells, uv, peels);
    }
}
