package rovek.server.plant.exchange;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.zip.ZipInputStream;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;

/**
 * How large a table may be, and how much memory reading it may take: found out by counting, before anything is made of
 * it.
 */
final class TableBounds {

    static final int MOST_BYTES = 32 << 20;
    static final int MOST_LINES = 200_000;
    /** A node of a plant in JSON, and what is set and limited in it. */
    private static final int MOST_OBJECTS = 3 * MOST_LINES;

    private static final int MOST_CELLS = 2_000_000;
    private static final long MOST_UNPACKED = 128L << 20;
    /** A row's cells, its place, what is planned of it. */
    private static final long BYTES_A_ROW = 2_048;

    private static final long TIMES_AS_LARGE = 4;

    private TableBounds() {}

    /** @throws DomainProblem.Invalid where there are more lines or cells than in any plant */
    static void require(String text, char delimiter) {
        if (lines(text) > MOST_LINES) {
            throw new DomainProblem.Invalid("file", Sentence.of("plant.tooManyLines", "most", MOST_LINES));
        }
        if (count(text, delimiter) > MOST_CELLS) {
            throw new DomainProblem.Invalid("file", Sentence.of("plant.tooManyCells", "most", MOST_CELLS));
        }
    }

    /** By any line end, the two of Windows counted as one: a reader takes each of them for one. */
    private static long lines(String text) {
        return Math.max(count(text, '\n'), count(text, '\r'));
    }

    private static long count(String text, char wanted) {
        return text.chars().filter(c -> c == wanted).count();
    }

    /** What reading a text may need at most, in bytes. */
    static long room(String text) {
        require(text, '\t');
        return TIMES_AS_LARGE * text.length() + BYTES_A_ROW * (1 + lines(text));
    }

    /** The same of a file of any kind that a plant is written in. */
    static long room(byte[] file) {
        if (file.length > MOST_BYTES) {
            throw new DomainProblem.Invalid("file", Sentence.of("plant.fileTooLarge", "most", MOST_BYTES >> 20));
        }
        if (file.length > 1 && file[0] == 'P' && file[1] == 'K') {
            return TIMES_AS_LARGE * unpacked(file);
        }
        String text = new String(file, StandardCharsets.ISO_8859_1);
        boolean isJson = text.startsWith("{");
        long rows = isJson ? count(text, '{') : lines(text);
        if (rows > (isJson ? MOST_OBJECTS : MOST_LINES) || (isJson && count(text, ':') > MOST_CELLS)) {
            throw new DomainProblem.Invalid("file", Sentence.of("plant.tooManyLines", "most", MOST_LINES));
        }
        return TIMES_AS_LARGE * file.length + BYTES_A_ROW * (1 + rows);
    }

    /** How much a workbook unpacks to, counted without keeping any of it. */
    private static long unpacked(byte[] file) {
        long sum = 0;
        byte[] some = new byte[64 << 10];
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
            while (zip.getNextEntry() != null) {
                for (int count = zip.read(some); count >= 0; count = zip.read(some)) {
                    sum += count;
                    if (sum > MOST_UNPACKED) {
                        throw new DomainProblem.Invalid(
                                "file", Sentence.of("plant.workbookTooLarge", "most", MOST_UNPACKED >> 20));
                    }
                }
            }
        } catch (IOException broken) {
            // whoever reads it says so with a sentence
            return sum;
        }
        return sum;
    }
}
