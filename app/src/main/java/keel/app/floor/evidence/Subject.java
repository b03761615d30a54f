package keel.app.floor.evidence;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import keel.app.people.LogKind;
import keel.core.pattern.Trait;

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
 * @param kinds of entries that tell of it
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
        Set<LogKind> kinds,
        String page) {

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
