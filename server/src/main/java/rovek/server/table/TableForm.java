package rovek.server.table;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.xssf.streaming.SXSSFSheet;
import org.apache.poi.xssf.streaming.SXSSFWorkbook;
import rovek.server.problem.DomainProblem;

/** As what a table is taken along: comma-separated values (RFC 4180) in UTF-8, or a workbook (ISO/IEC 29500). */
enum TableForm {
    CSV("text/csv;charset=UTF-8") {
        @Override
        void write(NumberTable table, OutputStream out) throws IOException {
            Writer writer = new OutputStreamWriter(out, StandardCharsets.UTF_8);
            // Without it some spreadsheets take the file for something else than UTF-8.
            writer.write('\uFEFF');
            CSVPrinter printer = new CSVPrinter(writer, CSVFormat.RFC4180);
            printer.printRecord(table.headings());
            table.rows().into(row -> {
                try {
                    printer.printRecord(Arrays.stream(row).map(TableForm::said).toArray());
                } catch (IOException gone) {
                    throw new UncheckedIOException(gone);
                }
            });
            printer.flush();
        }
    },
    XLSX("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet") {
        @Override
        void write(NumberTable table, OutputStream out) throws IOException {
            try (SXSSFWorkbook workbook = new SXSSFWorkbook(ROWS_IN_MEMORY)) {
                SXSSFSheet sheet = workbook.createSheet("Data");
                sheet.createFreezePane(0, 1);
                fill(sheet.createRow(0), table.headings().toArray());
                int[] at = {1};
                table.rows().into(row -> fill(sheet.createRow(at[0]++), row));
                workbook.write(out);
            }
        }
    };

    private static final int ROWS_IN_MEMORY = 200;
    private static final int MOST_ROWS_OF_A_SHEET = 1_048_576;
    private static final String BEGINS_A_FORMULA = "=+-@";

    private final String mediaType;

    TableForm(String mediaType) {
        this.mediaType = mediaType;
    }

    abstract void write(NumberTable table, OutputStream out) throws IOException;

    String mediaType() {
        return mediaType;
    }

    String ending() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }

    static TableForm of(String form) {
        return Arrays.stream(values())
                .filter(one -> one.ending().equals(form))
                .findFirst()
                .orElseThrow(() -> new DomainProblem.Invalid("form", "A table is taken along as csv or xlsx, not \"%s\".".formatted(form)));
    }

    void requireRoom(NumberTable table) {
        if (this == XLSX && table.count() >= MOST_ROWS_OF_A_SHEET) {
            throw new DomainProblem.Conflict(
                    "too-many-rows",
                    "A workbook's sheet holds %,d rows, and this would be %,d. Take it as CSV, or take only what is shown.".formatted(
                            MOST_ROWS_OF_A_SHEET - 1, table.count()));
        }
    }

    /** A text that a spreadsheet would take for a formula is marked as text. */
    private static Object said(Object cell) {
        if (cell instanceof Double number) {
            return number == Math.rint(number) && Math.abs(number) < 1e15 ? String.valueOf(number.longValue()) : number.toString();
        }
        return cell instanceof String text && !text.isEmpty() && BEGINS_A_FORMULA.indexOf(text.charAt(0)) >= 0 ? "'" + text : cell;
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
