package keel.core.life;

import java.util.List;

/**
 * What parts would have cost under a school: each is changed at the school's age by plan, or ends before as it did. A
 * part that was taken out by plan or lives on has cost what it has cost by then.
 *
 * @param replaceAt age of change on its clock; infinite where there is none
 * @param hours print hours served, {@code cost} for them
 * @param early changed by age, {@code signs} taken out by their looks or by plan, {@code inPrint} ended in a print
 */
public record SchoolCost(
        ChangeSchool school,
        double replaceAt,
        LifeClock clock,
        double hours,
        double cost,
        int early,
        int signs,
        int inPrint) {

    /** @param plannedCost of a change that is planned, {@code failureCost} of one after an end in a print */
    public static SchoolCost of(
            ChangeSchool school,
            List<Lived> parts,
            double replaceAt,
            LifeClock clock,
            double plannedCost,
            double failureCost) {
        double hours = 0;
        int early = 0;
        int signs = 0;
        int inPrint = 0;
        for (Lived p : parts) {
            double age = p.age(clock);
            boolean changed = age > replaceAt;
            hours += p.usage().hours() * (changed ? replaceAt / age : 1);
            early += changed ? 1 : 0;
            inPrint += !changed && p.inPrint() ? 1 : 0;
            signs += !changed && !p.inPrint() && p.endReason() != null ? 1 : 0;
        }
        return new SchoolCost(
                school,
                replaceAt,
                clock,
                hours,
                (early + signs) * plannedCost + inPrint * failureCost,
                early,
                signs,
                inPrint);
    }

    /** Both together; the age of change is that of the first. */
    public SchoolCost plus(SchoolCost other) {
        return new SchoolCost(
                school,
                replaceAt,
                clock,
                hours + other.hours,
                cost + other.cost,
                early + other.early,
                signs + other.signs,
                inPrint + other.inPrint);
    }

    /** NaN where nothing was printed. */
    public double perHour() {
        return cost / hours;
    }
}
