package keel.core.knowledge;

import java.util.List;
import java.util.Map;
import keel.core.standing.Caution;

/**
 * Something a keeper can do to tell causes apart.
 *
 * @param code code of the open format
 * @param name what it is called
 * @param how how it is done, in a few sentences
 * @param draw name of the drawing that shows it
 * @param caution what can hurt at it
 * @param clear what it is called at the bench that nothing was found, null for a check that only answers a side
 * @param says what its other answers are called, by cause code or side
 * @param minutes how long it takes, common practice
 * @param misses chance of overlooking a fault that is there, 0 to 1
 * @param missesAfterCrush the same after something was crushed into the screen
 * @param missesOf the same for causes that this check overlooks more easily than others, by cause code
 * @param risky whether it prints something, and so waits until the vat is known to be clean
 * @param lights whether it lights the screen, and so waits until nobody doubts that it is dry
 * @param answers whether it names causes or only a side
 * @param separates causes that it can find
 * @param clears those of them that finding nothing speaks against
 */
public record Check(
        String code,
        String name,
        String how,
        String draw,
        Caution caution,
        String clear,
        Map<String, String> says,
        double minutes,
        double misses,
        double missesAfterCrush,
        Map<String, Double> missesOf,
        boolean risky,
        boolean lights,
        Answer answers,
        List<String> separates,
        List<String> clears) {

    /** What can be answered besides that nothing was found, in order. */
    public List<String> answersInOrder() {
        return answers == Answer.SIDE ? List.of("MACHINE", "JOB") : separates;
    }

    /** Chance of overlooking this cause where it is there. */
    public double misses(String cause, boolean afterCrush) {
        return afterCrush && missesAfterCrush > misses ? missesAfterCrush : missesOf.getOrDefault(cause, misses);
    }

    /** What a check answers: the causes it found, or only whether machine or job is at fault. */
    public enum Answer {
        CAUSES,
        SIDE
    }
}
