package keel.app.floor.begin;

import java.util.List;
import keel.app.standing.MachineNow;
import keel.app.standing.NotKnown;
import keel.core.standing.MachineState;

/**
 * What a machine that has not printed here yet lacks before its first print.
 *
 * @param resin whether it is known what is in its vat; the same for when it was levelled
 */
public record FirstPrint(MachineNow machine, boolean resin, boolean levelled) {

    /** Of all machines that have not printed since they are on record, and are in use. */
    public static List<FirstPrint> of(List<MachineNow> machines) {
        return machines.stream()
                .filter(m -> m.run() == null && m.sinceRecords().prints() == 0)
                .filter(m -> m.standing().state() != MachineState.OFF)
                .map(m -> new FirstPrint(m, m.knows(NotKnown.About.RESIN), m.knows(NotKnown.About.LEVELLED)))
                .toList();
    }

    /** What is next of it: what holds it first. */
    public String next() {
        return held()
                ? "See what holds it"
                : !resin ? "Say what is in its vat" : !levelled ? "Level it" : "Start its first print";
    }

    public String path() {
        String base = "/machines/" + machine.code();
        return base + (held() ? "" : !resin ? "/not-known" : !levelled ? "/do/LEVELLING" : "/start");
    }

    private boolean held() {
        return !machine.holds().isEmpty();
    }
}
