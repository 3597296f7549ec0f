package rovek.server.plant.exchange;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.List;
import javax.xml.parsers.ParserConfigurationException;
import org.apache.poi.openxml4j.exceptions.OpenXML4JException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.util.XMLHelper;
import org.apache.poi.xssf.eventusermodel.ReadOnlySharedStringsTable;
import org.apache.poi.xssf.eventusermodel.XSSFReader;
import org.apache.poi.xssf.eventusermodel.XSSFSheetXMLHandler;
import org.apache.poi.xssf.usermodel.XSSFComment;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.XMLReader;
import rovek.core.plant.exchange.PlantTable;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.table.TableWriter;

/**
 * A workbook (ISO/IEC 29500) with the table on its first sheet. Row by row both ways: a large plant never stands in
 * memory as a workbook.
 */
final class XlsxPlantFile implements PlantFile {

    /** XFD, the last one the format knows. */
    private static final int LAST_COLUMN = 16_383;

    @Override
    public String ending() {
        return "xlsx";
    }

    @Override
    public String mediaType() {
        return "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";
    }

    @Override
    public void write(PlantTable table, OutputStream out) throws IOException {
        TableWriter.workbook("Plant", table.columns(), PlantFile.rows(table), out);
    }

    @Override
    public PlantTable read(InputStream in) throws IOException {
        byte[] bytes = in.readAllBytes();
        HeadedTable table = new HeadedTable();
        try (OPCPackage opened = OPCPackage.open(new ByteArrayInputStream(bytes))) {
            XSSFReader reader = new XSSFReader(opened);
            XMLReader xml = XMLHelper.newXMLReader();
            xml.setContentHandler(new XSSFSheetXMLHandler(
                    reader.getStylesTable(), new ReadOnlySharedStringsTable(opened), new Lines(table), false));
            try (InputStream sheet = reader.getSheetsData().next()) {
                xml.parse(new InputSource(sheet));
            }
        } catch (DomainProblem told) {
            throw told;
        } catch (IOException
                | OpenXML4JException
                | SAXException
                | ParserConfigurationException
                | RuntimeException broken) {
            // All bytes are here: whatever the library stumbles over, by one of its many exceptions, is the file's.
            throw new DomainProblem.Invalid("file", Sentence.of("plant.workbookUnreadable"));
        }
        return table.table();
    }

    private static final class Lines implements XSSFSheetXMLHandler.SheetContentsHandler {

        private final HeadedTable table;
        private List<String> cells = new ArrayList<>();

        Lines(HeadedTable table) {
            this.table = table;
        }

        @Override
        public void startRow(int row) {
            cells = new ArrayList<>();
        }

        @Override
        public void endRow(int row) {
            table.take(row + 1, cells);
        }

        @Override
        public void cell(String reference, String value, XSSFComment comment) {
            int column = reference == null ? cells.size() : new CellReference(reference).getCol();
            if (column < 0 || column > LAST_COLUMN) {
                throw new IllegalArgumentException("No sheet has a cell " + reference);
            }
            while (cells.size() <= column) {
                cells.add("");
            }
            cells.set(column, value == null ? "" : value);
        }
    }
}
