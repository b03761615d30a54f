package keel.core.resin;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What is in a vat, derived from what was poured in, printed away and emptied out.
 *
 * @param resin code of the resin, null while empty or unknown; after mixing, the one poured last
 * @param ml how much, ml; never below 0 (what was poured is known less well than what ran out)
 * @param since when it was last empty and filled again, null while empty
 * @param mixedAt when another resin came on top, null if none
 */
public record VatContent(@Nullable String resin, double ml, @Nullable Instant since, @Nullable Instant mixedAt) {

    public static final VatContent EMPTY = new VatContent(null, 0, null, null);

    /** Something that changes what is in a vat. */
    public sealed interface Change {
        Instant at();
    }

    /** Resin was poured in: {@code ml} &gt; 0. */
    public record Poured(Instant at, String resin, double ml) implements Change {}

    /** Resin was printed away. */
    public record Printed(Instant at, double ml) implements Change {}

    /** Resin went back into a bottle. */
    public record TakenOut(Instant at, double ml) implements Change {}

    /** Somebody looked how much is left: that counts, whatever was reckoned. */
    public record Measured(Instant at, double ml) implements Change {}

    /** The vat was emptied and cleaned. */
    public record Emptied(Instant at) implements Change {}

    /** @param changes in any order */
    public static VatContent after(List<Change> changes) {
        VatContent content = EMPTY;
        for (Change change :
                changes.stream().sorted(Comparator.comparing(Change::at)).toList()) {
            content = content.then(change);
        }
        return content;
    }

    private VatContent then(Change change) {
        if (change instanceof Poured poured) {
            boolean mixes = resin != null && !Objects.equals(resin, poured.resin());
            return new VatContent(
                    poured.resin(),
                    ml + poured.ml(),
                    since == null ? poured.at() : since,
                    mixes ? poured.at() : mixedAt);
        }
        if (change instanceof Printed printed) {
            return new VatContent(resin, Math.max(0, ml - printed.ml()), since, mixedAt);
        }
        if (change instanceof TakenOut out) {
            return new VatContent(resin, Math.max(0, ml - out.ml()), since, mixedAt);
        }
        if (change instanceof Measured measured) {
            return new VatContent(resin, measured.ml(), since, mixedAt);
        }
        return EMPTY;
    }
}
