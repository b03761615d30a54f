package keel.core.preflight;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Follows what is hollow from the plate to the film: what never reaches the outside holds resin for ever, what is
 * closed for a while sucks at each peel.
 */
final class VoidSweep {

    private final List<Hollow> all = new ArrayList<>();
    private final List<Hollow> closed = new ArrayList<>();
    private Map<Integer, Hollow> before = new HashMap<>();
    private @Nullable Regions last;
    private int layer;

    /** A hollow; those that grew together point to one. */
    static final class Hollow {

        private @Nullable Hollow in;
        boolean outside;
        boolean touchesPlate;
        int first;
        int lastLayer;
        /** Layer in which it joined the outside, 0 while it did not. */
        int vented;

        boolean toTheEnd;
        long voxels;
        long here;
        long most;
        int mostAt;
        double x;
        double y;
        /** The least of the walls between it and the outside that were measured, pixels. */
        double thinnest = Double.POSITIVE_INFINITY;

        int thinnestAt;
        double thinX;
        double thinY;

        private Hollow root() {
            Hollow at = this;
            while (at.in != null) {
                at = at.in;
            }
            return at;
        }
    }

    /**
     * @param voids of the layer, without what is too narrow to let resin through
     */
    void layer(Regions voids) {
        layer++;
        Hollow[] now = new Hollow[voids.count()];
        if (last != null) {
            voids.over(last, (r, old, pixels) -> now[r] = joined(now[r], before.get(old)));
        }
        Map<Integer, Hollow> here = new HashMap<>();
        for (int r = 0; r < now.length; r++) {
            Hollow h = now[r] == null ? begun() : now[r].root();
            if (voids.rim[r] && !h.outside) {
                vent(h);
            }
            here.put(r, h);
        }
        here.replaceAll((r, h) -> h.root());
        measured(voids, here);
        finished();
        before = here;
        last = voids;
    }

    private Hollow begun() {
        Hollow h = new Hollow();
        h.first = layer;
        h.touchesPlate = layer == 1;
        all.add(h);
        return h;
    }

    private Hollow joined(@Nullable Hollow one, @Nullable Hollow two) {
        if (one == null || two == null) {
            Hollow only = one == null ? two : one;
            return only == null ? begun() : only.root();
        }
        Hollow a = one.root();
        Hollow b = two.root();
        if (a == b) {
            return a;
        }
        if (a.outside != b.outside) {
            vent(a.outside ? b : a);
        }
        Hollow into = a.first <= b.first ? a : b;
        Hollow from = into == a ? b : a;
        from.in = into;
        into.touchesPlate |= from.touchesPlate;
        into.voxels += from.voxels;
        if (from.most > into.most) {
            into.most = from.most;
            into.mostAt = from.mostAt;
            into.x = from.x;
            into.y = from.y;
        }
        if (from.thinnest < into.thinnest) {
            thin(into, from.thinnest, from.thinnestAt, from.thinX, from.thinY);
        }
        return into;
    }

    /** From now on resin runs out of it. What it was until then is kept as it was. */
    private void vent(Hollow h) {
        if (h.first < layer && h.voxels > 0) {
            Hollow was = new Hollow();
            was.touchesPlate = h.touchesPlate;
            was.first = h.first;
            was.lastLayer = layer - 1;
            was.vented = layer;
            was.voxels = h.voxels;
            was.most = h.most;
            was.mostAt = h.mostAt;
            was.x = h.x;
            was.y = h.y;
            thin(was, h.thinnest, h.thinnestAt, h.thinX, h.thinY);
            closed.add(was);
        }
        h.outside = true;
    }

    static void thin(Hollow h, double thinnest, int at, double x, double y) {
        h.thinnest = thinnest;
        h.thinnestAt = at;
        h.thinX = x;
        h.thinY = y;
    }

    private void measured(Regions voids, Map<Integer, Hollow> here) {
        here.values().forEach(h -> h.here = 0);
        here.forEach((r, h) -> {
            h.here += voids.area[r];
            h.voxels += h.outside ? 0 : voids.area[r];
            h.lastLayer = layer;
        });
        here.forEach((r, h) -> {
            if (!h.outside && h.here > h.most) {
                h.most = h.here;
                h.mostAt = layer;
                h.x = voids.x(r);
                h.y = voids.y(r);
            }
        });
    }

    private void finished() {
        all.removeIf(h -> {
            boolean root = h.in == null;
            boolean gone = root && h.lastLayer < layer;
            if (gone && !h.outside) {
                closed.add(h);
            }
            return gone || !root;
        });
    }

    /** Of which hollow a region of the last layer is part. */
    Hollow of(int region) {
        Hollow h = before.get(region);
        if (h == null) {
            throw new IllegalArgumentException("There is no hollow " + region + ".");
        }
        return h;
    }

    /** All that was ever closed, once the last layer was read. */
    List<Hollow> closed() {
        all.stream().filter(h -> h.in == null && !h.outside).forEach(h -> {
            h.toTheEnd = true;
            closed.add(h);
        });
        all.clear();
        return closed;
    }
}
