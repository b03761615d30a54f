package keel.app.fleet.web;

import java.util.Arrays;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.ModelEntry;
import keel.core.Findings;
import keel.core.bolts.VatFrame;
import keel.core.resin.VatSize;
import keel.core.standing.MachineKind;

/** The set-up page of a model, as it was typed. A box that is not ticked is not sent. */
record ModelForm(
        String name,
        String kind,
        String plateWidthMm,
        String plateDepthMm,
        String plateHeightMm,
        String pixelsX,
        String pixelsY,
        String release,
        Boolean selfLevelling,
        Boolean resinSensing,
        Boolean zeroAtTop,
        Boolean selfFilling,
        Boolean wholeAreaLight,
        String levelJoint,
        String fillLineMl,
        String windowLengthMm,
        String windowWidthMm,
        String clampRing,
        String clampLong,
        String clampShort,
        String frameLong,
        String frameShort,
        String vatLengthMm,
        String vatWidthMm,
        String vatDepthMm) {

    static final ModelForm EMPTY = new ModelForm(
            "", "MASK", "", "", "", "", "", "PEEL", false, false, false, false, true, "BALL", "", "", "", "", "", "",
            "", "", "", "", "");

    ModelForm {
        selfLevelling = Boolean.TRUE.equals(selfLevelling);
        resinSensing = Boolean.TRUE.equals(resinSensing);
        zeroAtTop = Boolean.TRUE.equals(zeroAtTop);
        selfFilling = Boolean.TRUE.equals(selfFilling);
        wholeAreaLight = Boolean.TRUE.equals(wholeAreaLight);
    }

    /** @throws Refused if something is no number at all */
    ModelEntry read() {
        Findings findings = new Findings();
        MachineKind how = Arrays.stream(MachineKind.values())
                .filter(k -> k.name().equals(kind))
                .findFirst()
                .orElse(null);
        VatFrame frame = new VatFrame(
                Typed.number(windowLengthMm, "windowLengthMm", findings),
                Typed.number(windowWidthMm, "windowWidthMm", findings),
                Typed.whole(clampRing, "clampRing", findings),
                Typed.whole(clampLong, "clampLong", findings),
                Typed.whole(clampShort, "clampShort", findings),
                Typed.whole(frameLong, "frameLong", findings),
                Typed.whole(frameShort, "frameShort", findings));
        ModelEntry entry = new ModelEntry(
                name,
                how,
                Typed.number(plateWidthMm, "plateWidthMm", findings),
                Typed.number(plateDepthMm, "plateDepthMm", findings),
                Typed.number(plateHeightMm, "plateHeightMm", findings),
                Typed.whole(pixelsX, "pixelsX", findings),
                Typed.whole(pixelsY, "pixelsY", findings),
                release,
                selfLevelling,
                resinSensing,
                zeroAtTop,
                selfFilling,
                wholeAreaLight,
                levelJoint,
                Typed.number(fillLineMl, "fillLineMl", findings),
                frame,
                new VatSize(
                        Typed.number(vatLengthMm, "vatLengthMm", findings),
                        Typed.number(vatWidthMm, "vatWidthMm", findings),
                        Typed.number(vatDepthMm, "vatDepthMm", findings)));
        Refused.unless(findings);
        return entry;
    }

    static ModelForm of(ModelEntry e) {
        VatFrame f = e.frame();
        return new ModelForm(
                e.name(),
                e.kind().name(),
                text(e.plateWidthMm()),
                text(e.plateDepthMm()),
                text(e.plateHeightMm()),
                text(e.pixelsX()),
                text(e.pixelsY()),
                e.release(),
                e.selfLevelling(),
                e.resinSensing(),
                e.zeroAtTop(),
                e.selfFilling(),
                e.wholeAreaLight(),
                e.levelJoint(),
                text(e.fillLineMl()),
                text(f.windowLengthMm()),
                text(f.windowWidthMm()),
                text(f.clampRing()),
                text(f.clampLong()),
                text(f.clampShort()),
                text(f.frameLong()),
                text(f.frameShort()),
                text(e.vat().vatLengthMm()),
                text(e.vat().vatWidthMm()),
                text(e.vat().vatDepthMm()));
    }

    private static String text(Number number) {
        return number == null ? "" : number.toString().replaceAll("\\.0$", "");
    }
}
