package keel.app.guides;

/** What a session is about: a machine, a part in the path of the air, or vats that are gone through in one sitting. */
sealed interface GuideSubject {

    /** What is done for each kind of subject. */
    interface Each<R> {

        R machine(long id);

        R airPart(long id);

        R vats();
    }

    <R> R by(Each<R> each);

    record AtMachine(long id) implements GuideSubject {
        @Override
        public <R> R by(Each<R> each) {
            return each.machine(id);
        }
    }

    record AtAirPart(long id) implements GuideSubject {
        @Override
        public <R> R by(Each<R> each) {
            return each.airPart(id);
        }
    }

    record WithVats() implements GuideSubject {
        @Override
        public <R> R by(Each<R> each) {
            return each.vats();
        }
    }
}
