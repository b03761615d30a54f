package keel.app.floor.web;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.util.Map;
import keel.core.quick.LabelCode;

/**
 * A label: what stands on it in words, and the same as a QR code (ISO/IEC 18004, error correction Q: a quarter may be
 * smeared with resin).
 *
 * @param modules modules along a side, quiet zone included
 * @param path the dark modules as an SVG path, one unit a module
 */
public record Label(LabelCode code, String title, String subtitle, int modules, String path) {

    private static final QRCodeWriter WRITER = new QRCodeWriter();
    private static final int QUIET_ZONE = 4;

    public static Label of(LabelCode code, String title, String subtitle) {
        try {
            BitMatrix matrix = WRITER.encode(
                    code.text(),
                    BarcodeFormat.QR_CODE,
                    1,
                    1,
                    Map.of(EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.Q, EncodeHintType.MARGIN, QUIET_ZONE));
            return new Label(code, title, subtitle, matrix.getWidth(), path(matrix));
        } catch (WriterException e) {
            throw new IllegalArgumentException("Too long for a label: " + code.text(), e);
        }
    }

    private static String path(BitMatrix matrix) {
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < matrix.getHeight(); y++) {
            for (int x = 0; x < matrix.getWidth(); x++) {
                if (matrix.get(x, y)) {
                    path.append('M').append(x).append(' ').append(y).append("h1v1h-1z");
                }
            }
        }
        return path.toString();
    }
}
