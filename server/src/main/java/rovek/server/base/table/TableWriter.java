package rovek.server.base.table;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.xssf.streaming.SXSSFSheet;
import org.apache.poi.xssf.streaming.SXSSFWorkbook;

/** Writes tables row by row, however many rows they have: nothing stands in memory as a whole. */
public final class TableWriter {

    private static final int ROWS_IN_MEMORY = 200;

    private TableWriter() {}

    /** Comma-separated values (RFC 4180) in UTF-8, without a cell that a spreadsheet takes for a formula. */
    public static void csv(List<String> headings, NumberTable.Rows rows, OutputStream out) throws IOException {
        Writer writer = new OutputStreamWriter(out, StandardCharsets.UTF_8);
        // Without it some spreadsheets take the file for something else than UTF-8.
        writer.write('\uFEFF');
        CSVPrinter printer = new CSVPrinter(writer, CSVFormat.RFC4180);
        printer.printRecord(headings.stream().map(HarmlessCell::written).toList());
        rows.into(row -> {
            try {
                printer.printRecord(
                        Arrays.stream(row).map(HarmlessCell::written).toArray());
            } catch (IOException gone) {
                throw new UncheckedIOException(gone);
            }
        });
        printer.flush();
    }

    /** A workbook (ISO/IEC 29500) of one sheet; numbers become numbers, all else text, and an empty text no cell. */
    public static void workbook(String sheetName, List<String> headings, NumberTable.Rows rows, OutputStream out)
            throws IOException {
        try (SXSSFWorkbook workbook = new SXSSFWorkbook(ROWS_IN_MEMORY)) {
            SXSSFSheet sheet = workbook.createSheet(sheetName);
            sheet.createFreezePane(0, 1);
            fill(sheet.createRow(0), headings.toArray());
            int[] at = {1};
            rows.into(row -> fill(sheet.createRow(at[0]++), row));
            workbook.write(out);
        }
    }

    private static void fill(Row row, Object[] cells) {
        for (int i = 0; i < cells.length; i++) {
            if (cells[i] instanceof Number number) {
                row.createCell(i).setCellValue(number.doubleValue());
            } else if (cells[i] != null && !cells[i].toString().isEmpty()) {
                row.createCell(i).setCellValue(cells[i].toString());
            }
        }
    }
}
