package rovek.server.base.table;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;

/** Answers a request with a table as a file. */
public final class TableAnswer {

    private TableAnswer() {}

    /** @param form {@code csv} or {@code xlsx} */
    public static void send(NumberTable table, String form, HttpServletResponse response) throws IOException {
        TableForm wanted = TableForm.of(form);
        wanted.requireRoom(table);
        String name = table.name()
                .replaceAll("[^\\p{L}\\p{N} ,._-]", " ")
                .replaceAll("\\s+", " ")
                .strip();
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                        .filename(name + "." + wanted.ending(), StandardCharsets.UTF_8)
                        .build()
                        .toString());
        response.setContentType(wanted.mediaType());
        wanted.write(table, response.getOutputStream());
    }
}
