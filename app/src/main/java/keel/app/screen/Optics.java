package keel.app.screen;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.base.NotThere;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.ShopSettings;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Reads screens and light engines with where they come from, where they are and what they have been through, heat
 * included.
 */
@Service
@Transactional(readOnly = true)
public class Optics {

    private final ScreenRecords records;
    private final HeatSums heat;
    private final ShopSettings settings;

    Optics(ScreenRecords records, HeatSums heat, ShopSettings settings) {
        this.records = records;
        this.heat = heat;
        this.settings = settings;
    }

    /**
     * A screen or light engine.
     *
     * @param model name and revision, null where nobody said
     * @param fits names of machine models
     * @param machine code of the machine that it is on, null on the shelf
     * @param lastOn name of the machine that it was on last, null if it never was on one
     * @param fittedAt when it was first fitted, null if it never was
     * @param uvHours of light through it or by it, {@code hours} of printing; what it had done before included
     */
    public record OpticalPart(
            long id,
            ComponentKind kind,
            String code,
            String modelCode,
            String model,
            String source,
            Integer pixelsX,
            Integer pixelsY,
            Double widthMm,
            Double depthMm,
            String serial,
            String batch,
            LocalDate boughtOn,
            LocalDate warrantyUntil,
            Double price,
            String fits,
            String machine,
            String machineName,
            String lastOn,
            Instant since,
            Instant fittedAt,
            Instant endedAt,
            String endReason,
            double hours,
            double uvHours) {

        public boolean onShelf() {
            return machine == null && endedAt == null;
        }

        /** Ends that no maker answers for. */
        private static final Set<String> OWN_FAULT = Set.of("RESIN", "CRUSHED", "PLANNED");

        /** Whether it has ended before its warranty did, and not by what was done to it: worth a letter. */
        public boolean endedUnderWarranty() {
            return endedAt != null
                    && !OWN_FAULT.contains(endReason)
                    && warrantyUntil != null
                    && endedAt.isBefore(warrantyUntil
                            .plusDays(1)
                            .atStartOfDay(ZoneOffset.UTC)
                            .toInstant());
        }

        public boolean matches(String text) {
            return (code + " " + model + " " + serial + " " + batch + " " + lastOn + " " + endReason + " " + fits)
                    .toLowerCase(Locale.ROOT)
                    .contains(text.toLowerCase(Locale.ROOT));
        }
    }

    /**
     * How warm the room was while a part lit: mean, °C, and UV hours above what the shop calls warm; of so many hours
     * with a reading.
     */
    public record Heat(double meanC, double warmUvHours, double knownUvHours) {}

    /** Newest first. */
    public List<OpticalPart> all() {
        Beside beside = beside();
        return records.parts().stream().map(r -> part(r, beside)).toList();
    }

    /** @throws NotThere if there is none */
    public OpticalPart one(String code) {
        return records.part(code)
                .map(r -> part(r, beside()))
                .orElseThrow(() -> new NotThere("There is no screen or light engine called " + code + "."));
    }

    /** When the window of each machine was last looked at or uncovered, by the machine's number. */
    public Map<Long, Instant> windows() {
        return records.windows().stream()
                .collect(Collectors.toMap(ScreenRecords.Window::machine, ScreenRecords.Window::at));
    }

    /** By part: of the runs that it lit, with the last reading of the room before each. */
    public Map<Long, Heat> heat() {
        return heat.byPart(records.machineIds(), settings.defaults().value("resin.highC"));
    }

    /** What is read for all parts at once: which machines their models fit, and which they were on, oldest first. */
    private record Beside(Map<Long, String> fits, Map<Long, List<ScreenRecords.On>> machines) {}

    private Beside beside() {
        return new Beside(
                records.fits().stream()
                        .collect(Collectors.groupingBy(
                                ScreenRecords.Fit::partModel,
                                Collectors.mapping(ScreenRecords.Fit::machineModel, Collectors.joining(", ")))),
                records.machines().stream().collect(Collectors.groupingBy(ScreenRecords.On::part)));
    }

    private static OpticalPart part(ScreenRecords.OpticalRow r, Beside beside) {
        List<ScreenRecords.On> on = beside.machines().getOrDefault(r.id(), List.of());
        return new OpticalPart(
                r.id(),
                r.kind(),
                r.code(),
                r.modelCode(),
                r.modelName() == null ? null : r.modelName() + (r.revision() == null ? "" : " " + r.revision()),
                r.source(),
                r.pixelsX(),
                r.pixelsY(),
                r.widthMm(),
                r.depthMm(),
                r.serial(),
                r.batch(),
                r.boughtOn(),
                r.warrantyUntil(),
                r.price(),
                fits(r, beside.fits()),
                r.machine(),
                r.machineName(),
                on.isEmpty() ? null : on.get(on.size() - 1).machine(),
                r.since(),
                on.isEmpty() ? null : on.get(0).since(),
                r.endedAt(),
                r.endReason(),
                r.hours(),
                r.uvHours());
    }

    /** By its own model; else what it was bought for; else what it is on. */
    private static String fits(ScreenRecords.OpticalRow r, Map<Long, String> byModel) {
        return Stream.of(r.partModel() == null ? null : byModel.get(r.partModel()), r.ownModel(), r.machineModel())
                .filter(Objects::nonNull)
                .findFirst()
                .orElse("");
    }
}
