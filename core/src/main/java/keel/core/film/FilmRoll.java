package keel.core.film;

/** How many sheets a roll of film gives, cut straight across. All in mm. */
public record FilmRoll(double widthMm, double lengthMm) {

    /**
     * Sheets cut from it, all laid the same way round, whichever gives more.
     *
     * @param across side by side over its width, {@code along} one after another along its length
     * @param turned whether their long side lies across
     */
    public record Cut(int sheets, int across, int along, boolean turned) {}

    /**
     * @param longMm long side of a sheet, {@code shortMm} its short one; both more than 0
     */
    public Cut into(double longMm, double shortMm) {
        Cut along = cut(longMm, shortMm, false);
        Cut turned = cut(shortMm, longMm, true);
        return turned.sheets > along.sheets ? turned : along;
    }

    private Cut cut(double alongMm, double acrossMm, boolean turned) {
        int across = (int) Math.floor(widthMm / acrossMm + 1e-9);
        int along = (int) Math.floor(lengthMm / alongMm + 1e-9);
        return new Cut(across * along, across, along, turned);
    }
}
