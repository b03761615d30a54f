package keel.core.preflight;

import java.util.Comparator;
import org.jspecify.annotations.Nullable;

/**
 * Something in a sliced file that may go wrong.
 *
 * @param layer where it begins, from 1 at the plate, {@code toLayer} where it ends
 * @param xMm its middle from the left, {@code yMm} from the front
 * @param sizeMm how large it is across
 * @param areaMm2 null where it has none
 * @param ml resin in it, null where it holds none
 */
public record FileFinding(
        Code code,
        Severity severity,
        int layer,
        int toLayer,
        double xMm,
        double yMm,
        double sizeMm,
        @Nullable Double areaMm2,
        @Nullable Double ml,
        String text) {

    /** The worst first, of these the lowest layer. */
    public static final Comparator<FileFinding> WORST_FIRST =
            Comparator.comparing(FileFinding::severity).thenComparing(FileFinding::layer);

    /** What there is to find. */
    public enum Code {
        ISLAND,
        CUP,
        TRAPPED_RESIN,
        FLAT_FACE,
        THIN_WALL,
        AREA_JUMP,
        THIN_NECK,
        HOLD_SMALL,
        SUPPORT_FUSED,
        SLAB,
        EMPTY_LAYER,
        DOUBLED,
        OUT_OF_PLATE,
        GREY_ROWS,
        ON_SPOT,
        TOO_TALL,
        RESIN_SHORT,
        UNREADABLE_LAYER
    }

    /** How much harm it does, the worst first. */
    public enum Severity {
        STOP,
        LOOK,
        NOTE
    }
}
