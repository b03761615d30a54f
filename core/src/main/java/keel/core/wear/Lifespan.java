package keel.core.wear;

/** How long a kind of part lasts, on some clock; ages and results in its unit. */
public interface Lifespan {

    /** Share still alive at an age of {@code age} &ge; 0. */
    double survival(double age);

    /**
     * Chance that a part alive at {@code age} fails within the next {@code more}: 1 − R(age + more)/R(age).
     *
     * @throws IllegalArgumentException if either is negative or not a number
     */
    double failsWithin(double age, double more);

    /** Age by which the given share of those alive at {@code age} have failed; 0 &lt; share &lt; 1. */
    double ageWhenFailed(double age, double share);

    /** Life left, at {@code age}, until the given share of parts of that age have failed. */
    default double left(double age, double share) {
        return ageWhenFailed(age, share) - age;
    }
}
