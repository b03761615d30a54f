package keel.core.standing;

/**
 * What the rules need to know of a machine.
 *
 * @param kind how it lights a layer
 * @param selfLevelling whether it levels its plate by itself
 * @param levelsAfterEachPrint whether the shop levels it after every print, rather than on events only
 * @param wholeAreaLight whether it can light its whole area to cure a sheet in the vat
 * @param joint what holds its plate
 * @param resinSensing whether it looks for resin and plate before it prints, and has to be told to print without
 */
public record MachineTraits(
        MachineKind kind,
        boolean selfLevelling,
        boolean levelsAfterEachPrint,
        boolean wholeAreaLight,
        LevelJoint joint,
        boolean resinSensing) {

    /** One that senses no resin. */
    public MachineTraits(
            MachineKind kind,
            boolean selfLevelling,
            boolean levelsAfterEachPrint,
            boolean wholeAreaLight,
            LevelJoint joint) {
        this(kind, selfLevelling, levelsAfterEachPrint, wholeAreaLight, joint, false);
    }
}
