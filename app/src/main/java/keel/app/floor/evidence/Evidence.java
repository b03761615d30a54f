package keel.app.floor.evidence;

import java.time.Instant;
import java.util.List;
import keel.app.people.LogLine;
import keel.core.pattern.Compared;

/**
 * What is known of a machine, part, pack or bottle, with where each figure comes from; nothing about people.
 *
 * @param shop whose it is
 * @param warranty whether it is still under warranty, in a sentence; null where nobody wrote down until when
 * @param from of what span
 * @param prints of it in that span, {@code cameOut} of them
 * @param compared with others, reprints of what had failed left out
 * @param says the same in sentences
 * @param lost prints that did not come out, the newest first
 * @param lostMoney what they cost together; {@code lostMl} resin in them
 * @param other failures that no print on record belongs to
 * @param entries what was done and measured, the newest first
 * @param pictures photographs of failures and of screens
 */
public record Evidence(
        String shop,
        EvidenceKind kind,
        String code,
        String name,
        String page,
        List<Fact> facts,
        String warranty,
        Instant from,
        Instant to,
        int prints,
        int cameOut,
        Compared compared,
        String others,
        List<String> says,
        List<LostPrint> lost,
        double lostMoney,
        double lostMl,
        int other,
        List<LogLine> entries,
        List<Picture> pictures) {

    /** A line of what it is. */
    public record Fact(String label, String value) {}

    /**
     * A print that did not come out.
     *
     * @param how far it came: "layer 120 of 640", null where nobody wrote it down
     * @param failure number of what was logged of it, null if nothing was
     * @param seen what was seen, {@code cause} and how sure
     */
    public record LostPrint(
            long run,
            Instant at,
            String machine,
            String job,
            String outcome,
            String how,
            Long failure,
            String seen,
            String cause,
            double money,
            double ml) {}

    /**
     * A photograph.
     *
     * @param number of the photograph among those of its kind
     * @param machine number of the machine for photographs of screens, {@code machineCode} its code; null for those of
     *     failures
     */
    public record Picture(String name, Instant at, String caption, long number, Long machine, String machineCode) {

        /** What it is called as a file. */
        public String file() {
            return "photos/" + name + ".jpg";
        }

        /** Where a small one can be seen. */
        public String path() {
            return machine == null
                    ? "/photos/" + number + "/small"
                    : "/machines/" + machineCode + "/screen/photos/" + number;
        }
    }
}
