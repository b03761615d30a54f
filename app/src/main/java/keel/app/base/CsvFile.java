package keel.app.base;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** A table to take along, RFC 4180, UTF-8. */
public final class CsvFile {

    private CsvFile() {}

    /**
     * @param rows each as long as the header; a cell that a spreadsheet would take for a formula is given a quote first
     */
    public static ResponseEntity<byte[]> of(String name, List<String> header, List<List<?>> rows) {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(bytes(header, rows));
    }

    /** The same without a name. */
    public static byte[] bytes(List<String> header, List<List<?>> rows) {
        StringWriter text = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(
                text,
                CSVFormat.RFC4180
                        .builder()
                        .setHeader(header.toArray(String[]::new))
                        .build())) {
            for (List<?> row : rows) {
                csv.printRecord(row.stream().map(CsvFile::safe).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static Object safe(Object cell) {
        return cell instanceof String text && !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0
                ? "'" + text
                : cell;
    }
}
