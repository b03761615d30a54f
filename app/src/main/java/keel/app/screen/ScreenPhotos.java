package keel.app.screen;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import keel.app.base.PhotoLimits;
import keel.app.base.Pictures;
import keel.app.base.Refused;
import keel.core.screen.GreyPhoto;
import org.springframework.http.HttpStatus;
import org.springframework.web.server.ResponseStatusException;

/**
 * Turns an uploaded photograph into greys. One of more than 24 megapixels is read at half its size: that is fine enough
 * for spots of a millimetre.
 */
public final class ScreenPhotos {

    private static final long FINE_ENOUGH = 24_500_000;

    private ScreenPhotos() {}

    /**
     * @throws ResponseStatusException 415 if it is neither PNG nor JPEG, 413 if it has too many pixels
     * @throws Refused if it is damaged
     */
    public static GreyPhoto read(byte[] bytes) {
        if (Pictures.type(bytes) == Pictures.Type.OTHER) {
            throw new ResponseStatusException(
                    HttpStatus.UNSUPPORTED_MEDIA_TYPE,
                    "The photograph is neither PNG nor JPEG, whatever its name says.");
        }
        try {
            return grey(Pictures.read(bytes, "The photograph", PhotoLimits.MOST_PIXELS, FINE_ENOUGH));
        } catch (Pictures.Unreadable e) {
            if (e.tooLarge()) {
                throw new ResponseStatusException(HttpStatus.PAYLOAD_TOO_LARGE, e.getMessage());
            }
            throw new Refused("photo", e.getMessage());
        }
    }

    private static GreyPhoto grey(BufferedImage image) {
        int w = image.getWidth();
        int h = image.getHeight();
        byte[] grey = new byte[w * h];
        if (image.getType() == BufferedImage.TYPE_BYTE_GRAY) {
            System.arraycopy(((DataBufferByte) image.getRaster().getDataBuffer()).getData(), 0, grey, 0, grey.length);
            return new GreyPhoto(w, h, grey);
        }
        int[] row = new int[w];
        for (int y = 0; y < h; y++) {
            image.getRGB(0, y, w, 1, row, 0, w);
            for (int x = 0; x < w; x++) {
                int rgb = row[x];
                // UV light through paper looks violet: blue and red carry it as well as green
                grey[y * w + x] = (byte) (((rgb >> 16 & 255) + (rgb >> 8 & 255) + (rgb & 255)) / 3);
            }
        }
        return new GreyPhoto(w, h, grey);
    }
}
