package keel.app.floor.paper;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;

/** Makes a PDF of a page, with the fonts that ship with it. */
public final class Paper {

    static {
        XRLog.setLoggingEnabled(false);
    }

    private Paper() {}

    /** @param html with its style in it; fonts are called Next */
    public static byte[] pdf(String html) {
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.useFastMode();
            builder.useFont(() -> font("next-regular"), "Next", 400, FontStyle.NORMAL, true);
            builder.useFont(() -> font("next-bold"), "Next", 700, FontStyle.NORMAL, true);
            builder.withHtmlContent(html, null);
            builder.toStream(out);
            builder.run();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static InputStream font(String name) {
        return Paper.class.getResourceAsStream("/fonts/" + name + ".ttf");
    }
}
