package keel.core.standing;

/** What a service does to the parts of a machine, or that it does nothing to them. */
public sealed interface ServicePayload {

    /** What is done for each payload. */
    interface Each<R> {

        R filmChange(FilmChange change);

        R tankChange(TankChange change);

        R partChange(PartChange change);

        R vatFitted(VatFitted fitted);

        R vatRemoved(VatRemoved removed);

        R plateReplaced(PlateReplaced replaced);

        R moved(Moved moved);

        R noted(Noted noted);
    }

    <R> R by(Each<R> each);

    /** What these values come to; they were read by the kind's own fields. */
    static ServicePayload of(ServiceValues v) {
        return switch (v.kind()) {
            case FILM_CHANGE ->
                new FilmChange(
                        v.text("vat"),
                        v.text("material"),
                        v.number("thicknessMm"),
                        v.text("endReason"),
                        v.text("pack"));
            case TANK_CHANGE -> new TankChange(v.text("endReason"));
            case SCREEN_CHANGE, LIGHT_CHANGE ->
                new PartChange(v.kind(), v.text("endReason"), v.text("spare"), v.text("serial"));
            case VAT_FITTED -> new VatFitted(v.text("vat"));
            case VAT_REMOVED -> new VatRemoved(v.text("vat"));
            case PLATE_WORK -> "REPLACED".equals(v.text("work")) ? new PlateReplaced(v) : new Noted(v);
            case MOVED -> new Moved(v.text("room"));
            default -> new Noted(v);
        };
    }

    /** @param vat the spare vat it was done in, null for the one on the machine; {@code pack} where it came from one */
    record FilmChange(String vat, String material, Double thicknessMm, String endReason, String pack)
            implements ServicePayload {
        @Override
        public <R> R by(Each<R> each) {
            return each.filmChange(this);
        }
    }

    record TankChange(String endReason) implements ServicePayload {
        @Override
        public <R> R by(Each<R> each) {
            return each.tankChange(this);
        }
    }

    /** A screen or a light engine; {@code spare} from the shelf, or a new one with its {@code serial}; null if none. */
    record PartChange(ServiceKind kind, String endReason, String spare, String serial) implements ServicePayload {
        @Override
        public <R> R by(Each<R> each) {
            return each.partChange(this);
        }
    }

    record VatFitted(String vat) implements ServicePayload {
        @Override
        public <R> R by(Each<R> each) {
            return each.vatFitted(this);
        }
    }

    record VatRemoved(String vat) implements ServicePayload {
        @Override
        public <R> R by(Each<R> each) {
            return each.vatRemoved(this);
        }
    }

    record PlateReplaced(ServiceValues values) implements ServicePayload {
        @Override
        public <R> R by(Each<R> each) {
            return each.plateReplaced(this);
        }
    }

    record Moved(String room) implements ServicePayload {
        @Override
        public <R> R by(Each<R> each) {
            return each.moved(this);
        }
    }

    /** Written down; no part comes or goes. */
    record Noted(ServiceValues values) implements ServicePayload {
        @Override
        public <R> R by(Each<R> each) {
            return each.noted(this);
        }
    }
}
