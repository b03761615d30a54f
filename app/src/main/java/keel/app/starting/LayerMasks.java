package keel.app.starting;

import java.io.IOException;
import keel.app.base.LayerZip;
import keel.app.base.Refused;
import keel.core.placement.Footprint;
import keel.core.placement.MaskSum;
import keel.core.placement.PlateCells;
import org.springframework.web.multipart.MultipartFile;

/**
 * Masks of layers that somebody sent: one PNG that is their sum, or a ZIP of a PNG for each. Of many layers sixty are
 * taken, which is as good for cells of five millimetres.
 */
public final class LayerMasks {

    static final int MOST_READ = 60;

    private LayerMasks() {}

    /** @throws Refused at {@code file}, with a sentence, if it is nothing of the kind */
    public static Footprint read(MultipartFile file, PlateCells cells, boolean mirrored) throws IOException {
        byte[] bytes = file.getBytes();
        MaskSum sum = new MaskSum(cells);
        boolean layers = LayerZip.is(bytes);
        LayerZip.read(bytes, MOST_READ, image -> {
            MaskSum.Picture grey = (x, y) -> LayerZip.grey(image, x, y);
            if (layers) {
                sum.layer(image.getWidth(), image.getHeight(), grey, mirrored);
            } else {
                sum.sum(image.getWidth(), image.getHeight(), grey, mirrored);
            }
        });
        try {
            return sum.footprint();
        } catch (IllegalArgumentException e) {
            throw new Refused("file", e.getMessage());
        }
    }
}
