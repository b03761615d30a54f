package keel.app.shell;

import java.util.List;

/** Figures that a room keeps although they follow from what is on record, so that pages need not add it all up. */
public interface KeptFigures {

    /** What they are, as a sentence may begin. */
    String name();

    /**
     * Reckons all of them again from the record.
     *
     * @return what stood wrong and is right now, a sentence each; empty where all was right
     */
    List<String> again();
}
