package keel.app.starting;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.awt.image.Raster;
import keel.app.base.LayerZip;
import keel.app.base.Pictures;
import keel.core.preflight.LayerPixels;

/** Makes a layer's grey of a picture: of 8 or 16 bits, grey or colour. */
final class LayerDecoder {

    private static final long MOST_PIXELS = 100_000_000L;

    private LayerDecoder() {}

    /** @throws Pictures.Unreadable with a sentence */
    static LayerPixels read(byte[] png, String name) throws Pictures.Unreadable {
        BufferedImage image = Pictures.read(png, name, MOST_PIXELS, Long.MAX_VALUE);
        int w = image.getWidth();
        int h = image.getHeight();
        if (image.getType() == BufferedImage.TYPE_BYTE_GRAY
                && image.getRaster().getDataBuffer() instanceof DataBufferByte bytes
                && bytes.getData().length == w * h) {
            return new LayerPixels(w, h, bytes.getData());
        }
        byte[] grey = new byte[w * h];
        boolean deep = image.getType() == BufferedImage.TYPE_USHORT_GRAY;
        Raster raster = image.getRaster();
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                grey[y * w + x] = (byte) (deep ? raster.getSample(x, y, 0) >> 8 : LayerZip.grey(image, x, y));
            }
        }
        return new LayerPixels(w, h, grey);
    }
}
