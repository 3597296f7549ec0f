package rovek.server.base.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class HarmlessCellTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "P-101",
                "=1+1",
                "+cmd",
                "-2+3",
                "@SUM(A1)",
                "\t=1",
                "\r=1",
                "\n=1",
                "'",
                "''",
                "'=1",
                "''=1",
                "'a",
                "-",
                "=",
                "-20",
                "-20.5",
                "+4,2",
                "1e-3",
                "-1e3",
                "-20.5.1",
                "\uFF1D1",
                "--1",
                "'-20"
            })
    void everyTextComesBackUnchangedAndBeginsNoFormula(String text) {
        String written = HarmlessCell.written(text);
        assertThat(HarmlessCell.read(written)).isEqualTo(text);
        boolean isNumber = written.matches("[+-]?\\d+([.,]\\d+)?(e[+-]?\\d+)?");
        assertThat(isNumber || written.isEmpty() || "=+-@\t\r\n\uFF1D".indexOf(written.charAt(0)) < 0)
                .as(written)
                .isTrue();
    }

    @Test
    void headingsAndCellsOfEveryTableAreWrittenSo() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        TableWriter.csv(List.of("=heading", "Value"), row -> row.accept(new Object[] {"@cell", -2.5}), out);
        assertThat(out.toString(StandardCharsets.UTF_8)).isEqualTo("\uFEFF'=heading,Value\r\n'@cell,-2.5\r\n");
    }
}
