package keel.app.floor.evidence;

import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import keel.app.people.LogKind;
import keel.app.people.LogLine;
import keel.core.pattern.Trait;
import keel.core.standing.ServiceKind;

/**
 * What evidence is of.
 *
 * @param name as a heading and in a sentence: "Curlew", "screen S3"
 * @param facts what it is, as far as it is known
 * @param spells when prints were its prints
 * @param others which other prints it is held against
 * @param alike within what like is compared with like
 * @param screen number of the screen whose photographs are shown, null for any
 * @param photographs whether photographs of screens belong to it
 * @param tells which entries tell of it
 * @param warrantyUntil null where nobody wrote it down
 * @param page where it stands in the application
 */
record Subject(
        EvidenceKind kind,
        String code,
        String name,
        List<Evidence.Fact> facts,
        List<Spell> spells,
        Others others,
        Trait alike,
        Long screen,
        boolean photographs,
        Tells tells,
        LocalDate warrantyUntil,
        String page) {

    /**
     * Entries that tell of something.
     *
     * @param services those of them that do; empty for all but what is done every day
     */
    record Tells(Set<LogKind> kinds, Set<ServiceKind> services) {

        private static final Set<ServiceKind> EVERYDAY = EnumSet.of(ServiceKind.PLATE_CLEARED, ServiceKind.CLEAN_UP);

        boolean of(LogLine line) {
            return kinds.contains(line.kind())
                    && !line.superseded()
                    && (line.kind() != LogKind.SERVICE
                            || (services.isEmpty() ? !among(line, EVERYDAY) : among(line, services)));
        }

        private static boolean among(LogLine line, Set<ServiceKind> some) {
            return line.content() != null
                    && some.stream().anyMatch(k -> line.content().contains('"' + k.name() + '"'));
        }
    }

    /** A time on a machine, up to but without its end. */
    record Spell(long machine, String machineCode, Instant from, Instant until) {

        boolean covers(long machineId, Instant at) {
            return machine == machineId && !at.isBefore(from) && at.isBefore(until);
        }
    }

    /** Prints that have a trait are its others, if they are not its own; {@code value} null for any. */
    record Others(Trait trait, String value, String words) {}

    boolean owns(long machineId, Instant at) {
        return spells.stream().anyMatch(s -> s.covers(machineId, at));
    }

    boolean owns(String machineCode, Instant at) {
        return spells.stream().anyMatch(s -> s.machineCode().equals(machineCode) && s.covers(s.machine(), at));
    }
}
