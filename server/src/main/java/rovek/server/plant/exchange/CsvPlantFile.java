package rovek.server.plant.exchange;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import rovek.core.plant.exchange.PlantTable;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.table.HarmlessCell;
import rovek.server.base.table.TableWriter;

/**
 * Comma-separated values (RFC 4180) in UTF-8; read with semicolons or tabs too, as spreadsheets write them in many
 * countries.
 */
final class CsvPlantFile implements PlantFile {

    private static final String BYTE_ORDER_MARK = "\uFEFF";

    @Override
    public String ending() {
        return "csv";
    }

    @Override
    public String mediaType() {
        return "text/csv;charset=UTF-8";
    }

    @Override
    public void write(PlantTable table, OutputStream out) throws IOException {
        TableWriter.csv(table.columns(), PlantFile.rows(table), out);
    }

    @Override
    public PlantTable read(InputStream in) throws IOException {
        String text = text(in.readAllBytes());
        HeadedTable table = new HeadedTable();
        List<List<String>> lines = DelimitedText.lines(
                text, DelimitedText.ofHeading(text.lines().findFirst().orElse("")));
        for (int i = 0; i < lines.size(); i++) {
            table.take(i + 1, lines.get(i).stream().map(HarmlessCell::read).toList());
        }
        return table.table();
    }

    private static String text(byte[] bytes) {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
            if (text.indexOf('\0') >= 0) {
                throw new DomainProblem.Invalid("file", Sentence.of("plant.notPlantFile"));
            }
            return text.startsWith(BYTE_ORDER_MARK) ? text.substring(1) : text;
        } catch (CharacterCodingException notUtf8) {
            throw new DomainProblem.Invalid("file", Sentence.of("plant.notUtf8"));
        }
    }
}
