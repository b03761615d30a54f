package keel.core.wear;

/**
 * How long a kind of part lasts, on some clock; ages and results in its unit. What is not the survival itself follows
 * from it, unless a life knows it in closed form.
 */
public interface Lifespan {

    /** Halvings that bring an age to the last digit of a double. */
    int HALVINGS = 60;

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
            high *= 2;
        }
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (survival(middle) > wanted) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }

    /** Life left, at {@code age}, until the given share of parts of that age have failed. */
    default double left(double age, double share) {
        return ageWhenFailed(age, share) - age;
    }
}
