package keel.app.floor.bring;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import keel.app.base.Refused;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;
import org.springframework.stereotype.Component;

/** Reads CSV, however it is written, and the first sheet of a workbook; each refused with a sentence. */
@Component
class SheetReader {

    static final int MOST_ROWS = 50_000;
    private static final int MOST_COLUMNS = 200;
    private static final int MOST_BYTES = 20_000_000;
    private static final long MOST_UNPACKED = 400_000_000;
    private static final char[] SEPARATORS = {';', ',', '\t', '|'};
    /** With the formats of cells: they alone say what is a day. */
    private static final ReadingOptions AS_THEY_LOOK = new ReadingOptions(true, true);

    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm:ss", Locale.ROOT);

    Sheet read(String name, byte[] bytes) {
        if (bytes.length == 0) {
            throw refused("The file is empty.");
        }
        if (bytes.length > MOST_BYTES) {
            throw refused("The file is larger than 20 MB.");
        }
        boolean zip = bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K';
        if (!zip && bytes.length > 7 && (bytes[0] & 0xff) == 0xd0 && (bytes[1] & 0xff) == 0xcf) {
            throw refused("This is a workbook of the old kind, or one with a password: save it as .xlsx without one.");
        }
        return zip ? workbook(bytes) : text(bytes);
    }

    private static Refused refused(String sentence) {
        return new Refused("file", sentence);
    }

    private static Sheet workbook(byte[] bytes) {
        ZipSizes.check(bytes, MOST_UNPACKED);
        try (ReadableWorkbook book = new ReadableWorkbook(new ByteArrayInputStream(bytes), AS_THEY_LOOK);
                Stream<Row> rows = book.getFirstSheet().openStream()) {
            List<List<String>> lines = new ArrayList<>();
            List<Integer> numbers = new ArrayList<>();
            rows.forEach(row -> {
                if (lines.size() > MOST_ROWS) {
                    throw refused("There are more than 50,000 rows. Bring them in years.");
                }
                List<String> cells = new ArrayList<>();
                row.forEach(cell -> {
                    while (cell != null && cells.size() < cell.getColumnIndex()) {
                        cells.add("");
                    }
                    cells.add(cell == null ? "" : text(cell));
                });
                lines.add(cells);
                numbers.add(row.getRowNum());
            });
            return sheet(lines, numbers, "sheet " + book.getFirstSheet().getName());
        } catch (IOException | RuntimeException e) {
            if (e instanceof Refused refused) {
                throw refused;
            }
            throw refused("This is no workbook that can be read: save it as .xlsx, or as CSV.");
        }
    }

    /** A number with the look of a day is a day: workbooks know no other. */
    private static String text(Cell cell) {
        if (cell.getType() == CellType.NUMBER || cell.getType() == CellType.FORMULA) {
            String format = cell.getDataFormatString();
            if (cell.getType() == CellType.NUMBER && format != null && format.matches("(?i).*(yy|d.*m|h:mm).*")) {
                return day(cell, format);
            }
        }
        String raw = cell.getType() == CellType.STRING ? cell.asString() : cell.getRawValue();
        return raw == null ? "" : raw.strip();
    }

    private static String day(Cell cell, String format) {
        if (cell.asNumber().doubleValue() < 1
                || !format.toLowerCase(Locale.ROOT).matches(".*(y|d).*")) {
            return Double.toString(24 * cell.asNumber().doubleValue());
        }
        LocalDateTime moment = cell.asDate();
        return MOMENT.format(moment);
    }

    private static Sheet text(byte[] bytes) {
        String text;
        String letters;
        Charset marked = marked(bytes);
        try {
            Charset first = marked == null ? StandardCharsets.UTF_8 : marked;
            text = first.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
            letters = first.name();
        } catch (CharacterCodingException e) {
            Charset western = Charset.forName("windows-1252");
            text = new String(bytes, western);
            letters = western.name();
        }
        String bare = text.startsWith("\uFEFF") ? text.substring(1) : text;
        if (bare.indexOf('\0') >= 0) {
            throw refused("This is no text: save the table as CSV or .xlsx.");
        }
        char separator = separator(bare);
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setIgnoreEmptyLines(false)
                .setIgnoreSurroundingSpaces(true)
                .get();
        List<List<String>> lines = new ArrayList<>();
        List<Integer> numbers = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(new StringReader(bare), format)) {
            for (CSVRecord line : parser) {
                if (lines.size() > MOST_ROWS) {
                    throw refused("There are more than 50,000 rows. Bring them in years.");
                }
                lines.add(line.stream().map(String::strip).toList());
                numbers.add((int) line.getRecordNumber());
            }
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            throw refused(
                    "This table cannot be read: a quotation mark may be missing near row " + numbers.size() + ".");
        }
        return sheet(lines, numbers, letters + ", separated by " + (separator == '\t' ? "tabs" : separator));
    }

    private static Charset marked(byte[] b) {
        int first = b.length > 1 ? (b[0] & 0xff) << 8 | b[1] & 0xff : 0;
        return first == 0xfeff ? StandardCharsets.UTF_16BE : first == 0xfffe ? StandardCharsets.UTF_16LE : null;
    }

    /** The one that stands most often in the headings, outside quotation marks. */
    private static char separator(String text) {
        int end = text.indexOf('\n');
        String headings = (end < 0 ? text : text.substring(0, end)).replaceAll("\"[^\"]*\"", "");
        char most = ',';
        long count = 0;
        for (char s : SEPARATORS) {
            long here = headings.chars().filter(c -> c == s).count();
            if (here > count) {
                most = s;
                count = here;
            }
        }
        return most;
    }

    private static Sheet sheet(List<List<String>> lines, List<Integer> numbers, String how) {
        int first = 0;
        while (first < lines.size() && lines.get(first).stream().allMatch(String::isBlank)) {
            first++;
        }
        if (first >= lines.size()) {
            throw refused("The table is empty.");
        }
        List<String> headings = headings(lines.get(first));
        List<List<String>> rows = new ArrayList<>();
        List<Integer> kept = new ArrayList<>();
        for (int i = first + 1; i < lines.size(); i++) {
            if (lines.get(i).stream().anyMatch(c -> !c.isBlank())) {
                rows.add(padded(lines.get(i), headings.size()));
                kept.add(numbers.get(i));
            }
        }
        return new Sheet(headings, rows, kept, how);
    }

    private static List<String> headings(List<String> line) {
        int last = line.size();
        while (last > 0 && line.get(last - 1).isBlank()) {
            last--;
        }
        if (last > MOST_COLUMNS) {
            throw refused("There are more than 200 columns.");
        }
        List<String> headings = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < last; i++) {
            String heading =
                    line.get(i).isBlank() ? "column " + (i + 1) : line.get(i).strip();
            if (!seen.add(heading)) {
                throw refused("Two columns are called " + heading + ": name them apart.");
            }
            headings.add(heading);
        }
        return headings;
    }

    private static List<String> padded(List<String> line, int size) {
        List<String> row = new ArrayList<>(line.subList(0, Math.min(size, line.size())));
        row.addAll(Collections.nCopies(size - row.size(), ""));
        return row;
    }
}
