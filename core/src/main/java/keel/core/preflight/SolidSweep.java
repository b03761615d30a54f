package keel.core.preflight;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Follows what is lit from the plate to the film: an island begins where nothing was there for it to hang on. */
final class SolidSweep {

    private final List<Island> islands = new ArrayList<>();
    private final List<Weak> weak = new ArrayList<>();
    private Island[] before = new Island[0];
    private @Nullable Regions last;
    private int layer;

    /** Something that hangs on nothing, until it is joined to what does; islands that grow together point to one. */
    static final class Island {

        private @Nullable Island in;
        int first;
        /** Layer in which it was joined to what hangs on the plate, 0 while it was not. */
        int joined;

        int lastLayer;
        long most;
        double x;
        double y;

        private Island root() {
            Island at = this;
            while (at.in != null) {
                at = at.in;
            }
            return at;
        }
    }

    /** Much that begins on little. */
    record Weak(int layer, long area, double x, double y) {}

    /**
     * @param there what the next layer can hang on, {@code lit} what sets
     * @param weakFrom pixels from which a weak start counts, {@code weakShare} share that must hang on something
     */
    void layer(Regions there, Regions lit, long weakFrom, double weakShare) {
        layer++;
        long[] litIn = new long[there.count()];
        there.over(lit, (r, l, pixels) -> litIn[r] += pixels);
        Island[] floating = new Island[there.count()];
        boolean[] grounded = new boolean[there.count()];
        long[] overlap = new long[there.count()];
        if (last != null) {
            there.near(last, (r, old, pixels) -> {
                overlap[r] += pixels;
                if (before[old] == null) {
                    grounded[r] = true;
                } else {
                    floating[r] = together(floating[r], before[old].root());
                }
            });
        }
        Island[] now = new Island[there.count()];
        for (int r = 0; r < now.length; r++) {
            boolean hangs = layer == 1 || grounded[r] || floating[r] == null && litIn[r] == 0;
            if (hangs) {
                join(floating[r]);
                if (layer > 1 && grounded[r] && litIn[r] > weakFrom && overlap[r] < weakShare * there.area[r]) {
                    weak.add(new Weak(layer, litIn[r], there.x(r), there.y(r)));
                }
            } else {
                now[r] = floating[r] == null ? begun() : floating[r].root();
                grown(now[r], litIn[r], there, r);
            }
        }
        before = now;
        last = there;
    }

    private static Island together(@Nullable Island one, Island two) {
        if (one == null || one.root() == two) {
            return two;
        }
        Island a = one.root();
        Island into = a.first <= two.first ? a : two;
        Island from = into == a ? two : a;
        from.in = into;
        into.most = Math.max(into.most, from.most);
        return into;
    }

    private void join(@Nullable Island floating) {
        if (floating != null && floating.root().joined == 0) {
            floating.root().joined = layer;
        }
    }

    private Island begun() {
        Island island = new Island();
        island.first = layer;
        islands.add(island);
        return island;
    }

    private void grown(Island island, long lit, Regions there, int r) {
        island.lastLayer = layer;
        island.most = Math.max(island.most, lit);
        if (island.first == layer) {
            island.x = there.x(r);
            island.y = there.y(r);
        }
    }

    List<Island> islands() {
        return islands.stream().filter(i -> i.in == null).toList();
    }

    List<Weak> weak() {
        return weak;
    }
}
