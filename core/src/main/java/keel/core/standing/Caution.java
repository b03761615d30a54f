package keel.core.standing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The usual caution where work can hurt someone. Common practice; local rules and licensed people decide. It is said in
 * full where it first matters, and only reminded of after that: what stands on every page is read on none.
 */
public enum Caution {
    NONE,
    RAW_RESIN(Part.RESIN),
    RAW_RESIN_AND_BLADE(Part.RESIN, Part.BLADE),
    RAW_RESIN_AND_UV(Part.RESIN, Part.LAMP),
    ALCOHOL(Part.SOLVENT),
    UV(Part.LIT_SCREEN),
    MAINS(Part.PLUG),
    DUST(Part.ABRADING),
    PINCH(Part.MOVES),
    FAN(Part.FAN_PLUG),
    USED_FILTER(Part.FILTER);

    /** One thing to mind. */
    public enum Part {
        RESIN(
                "Raw resin sensitises skin for life: nitrile gloves, long sleeves, eye protection. On skin: stop, soap "
                        + "and water at once, not alcohol. Nothing liquid or tacky goes in the bin or down a drain; "
                        + "local rules decide.",
                "Gloves and eye protection stay on: raw resin."),
        BLADE("Cut away from hands and film.", "Cut away from hands and film."),
        LAMP(
                "UV on only with UV glasses; never a filled vat in sunlight.",
                "UV glasses before the light goes on; never a filled vat."),
        SOLVENT(
                "Alcohol burns: no flame or spark near, containers closed, air moving. Never in an open ultrasonic "
                        + "bath. Nitrile gloves, eye protection, a respirator with organic-vapour cartridges. Wipes "
                        + "and dirty alcohol are cured or handed in as local rules say.",
                "Alcohol: respirator on, no spark, lid on."),
        LIT_SCREEN(
                "Do not look at the UV: UV glasses, and white paper over a bare screen. The paper shows the picture, "
                        + "it is no eye protection.",
                "UV glasses on while anything is lit."),
        PLUG(
                "Switch off and unplug before opening or carrying the machine. Mains wiring is for licensed people.",
                "Still unplugged."),
        ABRADING(
                "Abrade wet or outdoors with a mask, gloves on: resin and metal dust must not be breathed.",
                "Mask and gloves stay on: dust."),
        MOVES(
                "Fingers, hair and sleeves out of the way of what moves: the Z arm pinches.",
                "It moves: fingers, hair and sleeves out of the way."),
        FAN_PLUG(
                "Switch the fan off, unplug it and wait until it stands. A fan near alcohol vapour is of a kind made "
                        + "for it. Wiring, walls and roofs are for licensed people.",
                "Still unplugged."),
        FILTER(
                "Nitrile gloves: a used filter holds resin dust and solvent. Straight into a bag that closes; where it "
                        + "goes, local rules decide.",
                "Gloves stay on; into the bag with it.");

        private final String words;
        private final String still;

        Part(String words, String still) {
            this.words = words;
            this.still = still;
        }

        public String words() {
            return words;
        }

        /** In a few words, where it was said before. */
        public String still() {
            return still;
        }
    }

    private final List<Part> parts;

    Caution(Part... parts) {
        this.parts = List.of(parts);
    }

    public List<Part> parts() {
        return parts;
    }

    public String words() {
        return parts.stream().map(Part::words).collect(Collectors.joining(" "));
    }

    /**
     * What is to be said of it after these.
     *
     * @param before cautions of the steps before, in order
     */
    public Said after(Collection<Caution> before) {
        Set<Part> known = EnumSet.noneOf(Part.class);
        before.forEach(c -> known.addAll(c.parts));
        List<String> anew = new ArrayList<>();
        List<String> still = new ArrayList<>();
        for (Part part : parts) {
            (known.contains(part) ? still : anew).add(known.contains(part) ? part.still : part.words);
        }
        return new Said(String.join(" ", anew), String.join(" ", still));
    }

    /** Whether one of them is part of it. */
    public boolean has(Part... some) {
        return Arrays.stream(some).anyMatch(parts::contains);
    }

    /**
     * @param anew in full, empty where all was said before
     * @param still in short, empty where nothing was
     */
    public record Said(String anew, String still) {}
}
