package keel.core.failure;

import java.util.EnumSet;
import java.util.Set;
import keel.core.standing.ServiceKind;

/** What work at the bench looks for a harm: it is seen by whoever does it. Common practice, no source. */
public final class LookedFor {

    private static final String ON_THE_SCREEN = "screen-dark-pixels";
    private static final Set<ServiceKind> SEES_THE_SCREEN =
            EnumSet.of(ServiceKind.SCREEN_INSPECTED, ServiceKind.SCREEN_CHANGE);
    private static final Set<ServiceKind> SEES_THE_VAT = EnumSet.of(
            ServiceKind.VAT_INSPECTED,
            ServiceKind.CLEAN_UP,
            ServiceKind.FILM_CHANGE,
            ServiceKind.TANK_CHANGE,
            ServiceKind.VAT_FITTED);

    private LookedFor() {}

    /** Any of these does. */
    public static Set<ServiceKind> by(String harm) {
        return harm.equals(ON_THE_SCREEN) ? SEES_THE_SCREEN : SEES_THE_VAT;
    }

    /** What is done to look for it, and nothing else. */
    public static ServiceKind look(String harm) {
        return harm.equals(ON_THE_SCREEN) ? ServiceKind.SCREEN_INSPECTED : ServiceKind.VAT_INSPECTED;
    }
}
