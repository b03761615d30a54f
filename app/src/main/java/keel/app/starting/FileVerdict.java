package keel.app.starting;

import java.util.List;
import keel.core.preflight.FileFinding;

/**
 * A file as it may be printed on a machine.
 *
 * @param findings the worst first, each with what was decided of it
 */
public record FileVerdict(List<Judged> findings) {

    /** How far it is. */
    public enum State {
        /** Something that spoils the print is neither accepted nor sliced anew. */
        STOPS,
        /** To be sliced anew, as somebody said. */
        ANEW,
        /** Something is still to be looked at. */
        LOOK,
        /** All that was found is accepted. */
        ACCEPTED,
        CLEAN
    }

    /**
     * @param n its number on the page, from 1
     * @param decision null where nothing was decided
     */
    public record Judged(int n, FileFinding finding, Decision decision) {

        boolean open() {
            return decision == null && finding.severity() != FileFinding.Severity.NOTE;
        }
    }

    /** What somebody decided; {@code reason} null where none was said. */
    public record Decision(long id, boolean accepted, String reason, String person) {}

    public State state() {
        if (findings.stream()
                .anyMatch(j -> j.decision() != null && !j.decision().accepted())) {
            return State.ANEW;
        }
        if (findings.stream().anyMatch(j -> j.open() && j.finding().severity() == FileFinding.Severity.STOP)) {
            return State.STOPS;
        }
        if (findings.stream().anyMatch(Judged::open)) {
            return State.LOOK;
        }
        return findings.stream().anyMatch(j -> j.decision() != null) ? State.ACCEPTED : State.CLEAN;
    }

    private long count(FileFinding.Severity severity) {
        return findings.stream()
                .filter(j -> j.open() && j.finding().severity() == severity)
                .count();
    }

    /** In a sentence. */
    public String words() {
        return switch (state()) {
            case STOPS -> {
                long stops = count(FileFinding.Severity.STOP);
                yield stops == 1 ? "One thing in it spoils the print." : stops + " things in it spoil the print.";
            }
            case ANEW -> "It is to be sliced anew.";
            case LOOK -> {
                long looks = count(FileFinding.Severity.LOOK);
                yield looks == 1 ? "One thing in it wants a look." : looks + " things in it want a look.";
            }
            case ACCEPTED -> "What was found in it is accepted.";
            case CLEAN -> "Nothing was found in it.";
        };
    }

    /** The same with what it is about, for those who do not have the page before them. */
    public String told() {
        return switch (state()) {
            case STOPS, LOOK ->
                words() + " "
                        + findings.stream()
                                .filter(Judged::open)
                                .findFirst()
                                .map(j -> j.finding().text())
                                .orElse("");
            case ACCEPTED -> {
                String why = findings.stream()
                        .filter(j -> j.decision() != null && j.decision().reason() != null)
                        .findFirst()
                        .map(j -> " (" + j.decision().reason() + ")")
                        .orElse("");
                yield "What was found in it is accepted" + why + ".";
            }
            default -> words();
        };
    }
}
