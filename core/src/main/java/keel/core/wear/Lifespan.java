package keel.core.wear;

/**
 * How long a kind of part lasts, on some clock; ages and results in its unit. What is not the survival itself follows
 * from it, unless a life knows it in closed form.
 */
public interface Lifespan {

    /** Share still alive at an age of {@code age} &ge; 0. */
    double survival(double age);

    /**
     * Chance that a part alive at {@code age} fails within the next {@code more}: 1 − R(age + more)/R(age).
     *
     * @throws IllegalArgumentException if either is negative or not a number
     */
    default double failsWithin(double age, double more) {
        if (!(age >= 0) || !(more >= 0)) {
            throw new IllegalArgumentException("Ages must not be negative: " + age + ", " + more);
        }
        return 1 - survival(age + more) / survival(age);
    }

    /** Age by which the given share of those alive at {@code age} have failed; 0 &lt; share &lt; 1. */
    default double ageWhenFailed(double age, double share) {
        double wanted = survival(age) * (1 - share);
        double low = age;
        double high = Math.max(1, age);
        while (survival(high) > wanted) {
            low = high;
            high *= 2;
        }
        return AgeSolver.between(low, high, middle -> survival(middle) - wanted);
    }

    /** Life left, at {@code age}, until the given share of parts of that age have failed. */
    default double left(double age, double share) {
        return ageWhenFailed(age, share) - age;
    }
}
