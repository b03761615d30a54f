package keel.app.people;

/** After how long of nobody doing anything a sign-in on a shared tablet asks who is there. */
public interface IdleTime {

    /** In minutes; zero if it never asks. */
    double idleMinutes();
}
