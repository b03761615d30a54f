package keel.core.gate;

/**
 * One question of the start gate.
 *
 * @param code of the open format
 * @param part where on the machine it stands
 * @param state whether the records answer it, or somebody must look
 * @param text the answer or the question, in a sentence
 */
public record GateItem(String code, GatePart part, State state, String text) {

    /** Where the question stands, from the top of the stack to the bottom and the room around it. */
    public enum GatePart {
        PLATE,
        VAT,
        RESIN,
        FILM,
        SCREEN,
        JOB,
        ROOM
    }

    /** OK the records say so; ASK only eyes can tell; WARN may start, but read it; HOLD must not start. */
    public enum State {
        OK,
        ASK,
        WARN,
        HOLD
    }
}
