package keel.core.standing;

/** The usual caution where work can hurt someone. Common practice; local rules and licensed people decide. */
public enum Caution {
    NONE(""),
    RAW_RESIN(
            "Raw resin sensitises skin for life: nitrile gloves, long sleeves, eye protection. On skin: stop, soap and "
                    + "water at once, not alcohol. Nothing liquid or tacky goes in the bin or down a drain; local "
                    + "rules decide."),
    RAW_RESIN_AND_BLADE(RAW_RESIN.words + " Cut away from hands and film."),
    RAW_RESIN_AND_UV(RAW_RESIN.words + " UV on only with UV glasses; never a filled vat in sunlight."),
    ALCOHOL("Alcohol burns: no flame or spark near, containers closed, air moving. Never in an open ultrasonic "
            + "bath. Nitrile gloves, eye protection, a respirator with organic-vapour cartridges. Wipes and dirty "
            + "alcohol are cured or handed in as local rules say."),
    UV("Do not look at the UV: UV glasses, and white paper over a bare screen. The paper shows the picture, it "
            + "is no eye protection."),
    MAINS("Switch off and unplug before opening or carrying the machine. Mains wiring is for licensed people."),
    DUST("Abrade wet or outdoors with a mask, gloves on: resin and metal dust must not be breathed."),
    PINCH("Fingers, hair and sleeves out of the way of what moves: the Z arm pinches."),
    FAN("Switch the fan off, unplug it and wait until it stands. A fan near alcohol vapour is of a kind made "
            + "for it. Wiring, walls and roofs are for licensed people."),
    USED_FILTER("Nitrile gloves: a used filter holds resin dust and solvent. Straight into a bag that closes; where it "
            + "goes, local rules decide.");

    private final String words;

    Caution(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
