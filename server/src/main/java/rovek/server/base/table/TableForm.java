package rovek.server.base.table;

import java.io.IOException;
import java.io.OutputStream;
import java.util.Arrays;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;

/** As what a table is taken along: comma-separated values or a workbook. */
enum TableForm {
    CSV("text/csv;charset=UTF-8") {
        @Override
        void write(NumberTable table, OutputStream out) throws IOException {
            TableWriter.csv(table.headings(), table.rows(), out);
        }
    },
    XLSX("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet") {
        @Override
        void write(NumberTable table, OutputStream out) throws IOException {
            TableWriter.workbook("Data", table.headings(), table.rows(), out);
        }
    };

    private static final int MOST_ROWS_OF_A_SHEET = 1_048_576;

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
                .orElseThrow(() -> new DomainProblem.Invalid("form", Sentence.of("base.tableForm", "form", form)));
    }

    void requireRoom(NumberTable table) {
        if (this == XLSX && table.count() >= MOST_ROWS_OF_A_SHEET) {
            throw new DomainProblem.Conflict(
                    "too-many-rows",
                    Sentence.of("base.sheetTooLong", "most", MOST_ROWS_OF_A_SHEET - 1, "rows", table.count()));
        }
    }
}
