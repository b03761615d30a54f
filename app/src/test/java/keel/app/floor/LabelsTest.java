package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.util.Arrays;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.app.floor.web.Label;
import keel.core.quick.LabelCode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LabelsTest {

    private static final int SCALE = 6;
    private static final Pattern MODULE = Pattern.compile("M(\\d+) (\\d+)h1v1h-1z");

    /** What is drawn is read back by an independent reader of ISO/IEC 18004 symbols, even with a smear over it. */
    @ParameterizedTest
    @CsvSource({
        "MACHINE, curlew, false",
        "VAT, V12, false",
        "ITEM, nitrile-gloves-medium, false",
        "ROOM, long-room, false",
        "ITEM, nitrile-gloves-medium, true"
    })
    void whatIsDrawnIsReadBackAsTheSameThing(LabelCode.LabelKind kind, String code, boolean smeared) throws Exception {
        Label label = Label.of(new LabelCode(kind, code), "title", "");
        String read = new QRCodeReader()
                .decode(new BinaryBitmap(new HybridBinarizer(picture(label, smeared))))
                .getText();
        assertThat(read).isEqualTo(label.code().text());
        assertThat(LabelCode.read(read)).contains(new LabelCode(kind, code));
    }

    private static RGBLuminanceSource picture(Label label, boolean smeared) {
        int side = label.modules() * SCALE;
        int[] pixels = new int[side * side];
        Arrays.fill(pixels, 0xffffff);
        Matcher module = MODULE.matcher(label.path());
        while (module.find()) {
            fill(
                    pixels,
                    side,
                    Integer.parseInt(module.group(1)) * SCALE,
                    Integer.parseInt(module.group(2)) * SCALE,
                    SCALE,
                    0);
        }
        if (smeared) {
            int middle = side / 2;
            fill(pixels, side, middle - 2 * SCALE, middle - 2 * SCALE, 4 * SCALE, 0);
        }
        return new RGBLuminanceSource(side, side, pixels);
    }

    private static void fill(int[] pixels, int side, int x, int y, int size, int colour) {
        for (int row = y; row < y + size; row++) {
            Arrays.fill(pixels, row * side + x, row * side + x + size, colour);
        }
    }
}
