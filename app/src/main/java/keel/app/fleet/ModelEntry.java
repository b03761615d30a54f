package keel.app.fleet;

import java.util.LinkedHashMap;
import java.util.Map;
import keel.core.Findings;
import keel.core.bolts.VatFrame;
import keel.core.resin.VatSize;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;

/** A model of machine as it is typed in; codes are made from the name. */
public record ModelEntry(
        String name,
        MachineKind kind,
        Double plateWidthMm,
        Double plateDepthMm,
        Double plateHeightMm,
        Integer pixelsX,
        Integer pixelsY,
        String release,
        boolean selfLevelling,
        boolean resinSensing,
        boolean zeroAtTop,
        boolean selfFilling,
        boolean wholeAreaLight,
        String levelJoint,
        Double fillLineMl,
        VatFrame frame,
        VatSize vat) {

    /** In the words of its form. */
    public Map<String, Object> stands() {
        Map<String, Object> stands = new LinkedHashMap<>();
        stands.put("Name", name);
        stands.put("How it lights a layer", kind.words());
        stands.put("Plate, mm", plateWidthMm + " × " + plateDepthMm + " × " + plateHeightMm);
        stands.put("Pixels", pixelsX == null ? null : pixelsX + " × " + pixelsY);
        stands.put("It lets go by", release);
        stands.put("What holds the plate", levelJoint);
        stands.put("Fill line, ml", fillLineMl);
        stands.put("It levels itself", selfLevelling ? "yes" : "no");
        stands.put("It feels resin", resinSensing ? "yes" : "no");
        stands.put("Zero at the top", zeroAtTop ? "yes" : "no");
        stands.put("It fills itself", selfFilling ? "yes" : "no");
        stands.put("Lights the whole area", wholeAreaLight ? "yes" : "no");
        stands.put("Vat", frame + " " + vat);
        return stands;
    }

    Findings findings() {
        Findings findings = new Findings();
        findings.text(name, 80, "name", "The name of the model");
        findings.when(kind == null, "kind", "Choose how it lights a layer.");
        findings.range(plateWidthMm, 10, 2000, "plateWidthMm", "The plate's width", "mm");
        findings.range(plateDepthMm, 10, 2000, "plateDepthMm", "The plate's depth", "mm");
        findings.range(plateHeightMm, 10, 3000, "plateHeightMm", "The greatest height", "mm");
        findings.rangeIfGiven(fillLineMl, 10, 50_000, "fillLineMl", "The fill line", "ml");
        if (kind == MachineKind.MASK) {
            findings.range(pixelsX == null ? null : pixelsX.doubleValue(), 100, 40_000, "pixelsX", "Pixels across", "");
            findings.range(pixelsY == null ? null : pixelsY.doubleValue(), 100, 40_000, "pixelsY", "Pixels deep", "");
        }
        findings.when(!known(MachineModel.Release.values(), release), "release", "Choose peel, tilt or slide.");
        findings.when(!known(LevelJoint.values(), levelJoint), "levelJoint", "Choose what holds the plate.");
        frame.check(findings);
        vat.check(findings);
        return findings;
    }

    void into(MachineModel model) {
        model.name = name.strip();
        model.kind = kind;
        model.plateWidthMm = plateWidthMm;
        model.plateDepthMm = plateDepthMm;
        model.plateHeightMm = plateHeightMm;
        model.pixelsX = pixelsX;
        model.pixelsY = pixelsY;
        model.releaseKind = MachineModel.Release.valueOf(release);
        model.selfLevelling = selfLevelling;
        model.resinSensing = resinSensing;
        model.zeroAtTop = zeroAtTop;
        model.selfFilling = selfFilling;
        model.wholeAreaLight = wholeAreaLight && kind != MachineKind.LASER_TANK;
        model.levelJoint = LevelJoint.valueOf(levelJoint);
        model.fillLineMl = fillLineMl;
        model.windowLengthMm = frame.windowLengthMm();
        model.windowWidthMm = frame.windowWidthMm();
        model.clampRing = frame.clampRing();
        model.clampLong = frame.clampLong();
        model.clampShort = frame.clampShort();
        model.frameLong = frame.frameLong();
        model.frameShort = frame.frameShort();
        model.vatLengthMm = vat.vatLengthMm();
        model.vatWidthMm = vat.vatWidthMm();
        model.vatDepthMm = vat.vatDepthMm();
    }

    static ModelEntry of(MachineModel m) {
        return new ModelEntry(
                m.name,
                m.kind,
                m.plateWidthMm,
                m.plateDepthMm,
                m.plateHeightMm,
                m.pixelsX,
                m.pixelsY,
                m.releaseKind.name(),
                m.selfLevelling,
                m.resinSensing,
                m.zeroAtTop,
                m.selfFilling,
                m.wholeAreaLight,
                m.levelJoint.name(),
                m.fillLineMl,
                m.frame(),
                m.vat());
    }

    private static boolean known(Enum<?>[] values, String name) {
        for (Enum<?> value : values) {
            if (value.name().equals(name)) {
                return true;
            }
        }
        return false;
    }
}
