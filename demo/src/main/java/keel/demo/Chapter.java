package keel.demo;

/** Part of the story: what it knows to enter. */
interface Chapter {

    /** Says how each happening that it knows is entered. */
    void tell(Telling telling);
}
