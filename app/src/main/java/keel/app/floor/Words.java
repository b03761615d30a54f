package keel.app.floor;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.base.ShopZone;
import keel.core.quick.Vocabulary;
import keel.core.quick.Vocabulary.MachineWord;
import keel.core.standing.MachineTraits;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Collects the names that lines may use, in a fixed number of queries. */
@Component
class Words {

    private static final Duration LATELY = Duration.ofDays(180);

    private final WordRecords records;
    private final Clock clock;
    private final ShopZone zone;

    Words(WordRecords records, Clock clock, ShopZone zone) {
        this.records = records;
        this.clock = clock;
        this.zone = zone;
    }

    /** A moment of the shop's own time; null for null. */
    Instant instant(LocalDateTime at) {
        return at == null ? null : at.atZone(zone.zone()).toInstant();
    }

    @Transactional(readOnly = true)
    Vocabulary now() {
        return new Vocabulary(
                machines(),
                records.rooms(),
                records.items(),
                records.resins(),
                records.vats(),
                records.bottles(),
                LocalDateTime.ofInstant(clock.instant(), zone.zone()));
    }

    /** Machines with the exposure of their last run and what a layer takes on them. */
    private List<MachineWord> machines() {
        Map<Long, Double> exposures = records.exposures(clock.instant().minus(LATELY)).stream()
                .collect(Collectors.toMap(WordRecords.Exposure::machine, WordRecords.Exposure::exposureS, (a, b) -> b));
        return records.machines().stream()
                .map(m -> new MachineWord(
                        m.code(),
                        m.name(),
                        new MachineTraits(
                                m.kind(),
                                m.selfLevelling(),
                                m.levelsAfterEachPrint(),
                                m.wholeAreaLight(),
                                m.levelJoint()),
                        m.levellingSchool(),
                        m.resin(),
                        exposures.get(m.id()),
                        m.layers() == null || m.layers() == 0 ? null : Double.valueOf(m.hours() * 3600 / m.layers())))
                .toList();
    }
}
