package keel.app.floor.bring;

import java.util.List;

/**
 * A table as it was read: headings, and rows below them as text.
 *
 * @param rows each as long as the headings; {@code numbers} are those of the rows in the file, the headings' is 1
 * @param how what was taken for granted: letters and separator of a text, sheet of a workbook
 */
public record Sheet(List<String> headings, List<List<String>> rows, List<Integer> numbers, String how) {

    /** All cells of a column. */
    List<String> column(int at) {
        return rows.stream().map(r -> r.get(at)).toList();
    }
}
