package rovek.server.base.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import rovek.server.base.problem.DomainProblem;

class TableFormTest {

    private final NumberTable table = new NumberTable("Trend", List.of("Asset", "Value", "Reason"), 3, row -> {
        row.accept(new Object[] {"P-101, \"old\"", 1.25, ""});
        row.accept(new Object[] {"=1+1", 3.0, null});
        row.accept(new Object[] {"-12 °C", 1e-9, "@home"});
    });

    private static byte[] written(TableForm form, NumberTable table) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        form.write(table, out);
        return out.toByteArray();
    }

    @Test
    void commaSeparatedValuesAreQuotedAndNoTextBecomesAFormula() throws IOException {
        List<String> lines = new String(written(TableForm.CSV, table), StandardCharsets.UTF_8)
                .lines()
                .toList();
        assertThat(lines.get(0)).startsWith("\uFEFF").endsWith("Asset,Value,Reason");
        assertThat(lines.get(1)).isEqualTo("\"P-101, \"\"old\"\"\",1.25,");
        assertThat(lines.get(2)).contains("'=1+1").contains(",3,");
        assertThat(lines.get(3)).contains("'-12 °C").contains("1.0E-9").contains("'@home");
    }

    @Test
    void aWorkbookHoldsNumbersAsNumbersAndWordsAsWords() throws IOException {
        try (XSSFWorkbook workbook = new XSSFWorkbook(new ByteArrayInputStream(written(TableForm.XLSX, table)))) {
            Row second = workbook.getSheetAt(0).getRow(2);
            assertThat(second.getCell(0).getCellType()).isEqualTo(CellType.STRING);
            assertThat(second.getCell(0).getStringCellValue()).isEqualTo("=1+1");
            assertThat(second.getCell(1).getNumericCellValue()).isEqualTo(3);
            assertThat(second.getCell(2)).isNull();
            assertThat(workbook.getSheetAt(0).getLastRowNum()).isEqualTo(3);
        }
    }

    @Test
    void moreThanASheetHoldsIsRefusedBeforeAnythingIsWritten() {
        NumberTable huge = new NumberTable("Trend", List.of("Value"), 1_048_576, row -> {
            throw new AssertionError("nothing is asked for");
        });
        assertThatThrownBy(() -> TableForm.XLSX.requireRoom(huge))
                .isInstanceOf(DomainProblem.Conflict.class)
                .hasMessageContaining("1,048,575 rows")
                .hasMessageContaining("Export it as CSV");
        TableForm.CSV.requireRoom(huge);
        assertThatThrownBy(() -> TableForm.of("ods")).isInstanceOf(DomainProblem.Invalid.class);
    }

    @Test
    void columnsOfUnequalLengthStandSideBySideAndGapsAreEmpty() throws IOException {
        NumberTable columns = NumberTable.ofColumns(
                "x", List.of("a", "b"), List.of(new double[] {1, Double.NaN, 3}, new double[] {4}));
        assertThat(columns.count()).isEqualTo(3);
        assertThat(new String(written(TableForm.CSV, columns), StandardCharsets.UTF_8).lines())
                .containsExactly("\uFEFFa,b", "1,4", ",", "3,");
    }

    @Test
    void aStretchHoldsBothItsEnds() {
        double[] axis = {0, 1, 2, 3};
        assertThat(NumberTable.within(axis, 1, 2)).containsExactly(1, 3);
        assertThat(NumberTable.within(axis, 0.5, 2.5)).containsExactly(1, 3);
        assertThat(NumberTable.within(axis, Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY))
                .containsExactly(0, 4);
        assertThat(NumberTable.within(axis, 7, 9)).as("nothing lies there").containsExactly(4, 4);
        assertThat(NumberTable.within(axis, 2.2, 2.8)).containsExactly(3, 3);
    }
}
