package keel.app.guides;

import java.util.HashMap;
import java.util.Map;
import keel.core.standing.ServiceField;

/** Answers to what a step asks. */
final class GuideAnswers {

    private GuideAnswers() {}

    /** What is wanted where it is asked; else yes, the first choice, the least number. */
    static Map<String, Object> to(SessionView session, Map<String, String> wanted) {
        Map<String, Object> answers = new HashMap<>();
        for (ServiceField ask : session.step().asks()) {
            answers.put(
                    ask.name(),
                    wanted.getOrDefault(
                            ask.name(),
                            switch (ask.type()) {
                                case YES_NO -> "true";
                                case CHOICE -> ask.options().get(0).code();
                                case NUMBER -> String.valueOf(Math.max(0.1, ask.low()));
                                default -> "";
                            }));
        }
        return answers;
    }
}
