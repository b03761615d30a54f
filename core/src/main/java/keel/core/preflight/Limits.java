package keel.core.preflight;

import java.util.List;
import keel.core.screen.ScreenInspection.Spot;
import org.jspecify.annotations.Nullable;

/**
 * What a file is held against.
 *
 * @param tallestMm what the machine can print, null where no machine is named
 * @param resinMl what is there for it, null where that is not known
 * @param spots of the machine's screen
 */
public record Limits(@Nullable Double tallestMm, @Nullable Double resinMl, List<Spot> spots) {

    /** No machine is named. */
    public static final Limits NONE = new Limits(null, null, List.of());
}
