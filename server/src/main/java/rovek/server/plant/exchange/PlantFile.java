package rovek.server.plant.exchange;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import rovek.core.plant.exchange.PlantTable;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.table.NumberTable;

/** A way to write a plant into a file and to read it from there. What is written and read again is the same table. */
sealed interface PlantFile permits CsvPlantFile, XlsxPlantFile, JsonPlantFile {

    /** Ending of the file's name, which is also how the way is asked for. */
    String ending();

    String mediaType();

    void write(PlantTable table, OutputStream out) throws IOException;

    /** @throws DomainProblem.Invalid where it is no such file */
    PlantTable read(InputStream in) throws IOException;

    /** The table's rows, each with a cell for every column. */
    static NumberTable.Rows rows(PlantTable table) {
        return taker -> table.rows()
                .forEach(row -> taker.accept(table.columns().stream()
                        .map(column -> row.cells().getOrDefault(column, ""))
                        .toArray()));
    }
}
