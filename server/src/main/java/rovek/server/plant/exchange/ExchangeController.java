package rovek.server.plant.exchange;

import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import rovek.core.wording.Sentence;
import rovek.server.base.job.Jobs;
import rovek.server.base.room.WorkingRoom;
import rovek.server.base.web.LongText;
import rovek.server.plant.tree.PlantLedger;

@RestController
@RequestMapping("/api/plant")
class ExchangeController {

    private final Exchange exchange;
    private final Jobs jobs;
    private final WorkingRoom room;

    ExchangeController(Exchange exchange, Jobs jobs, WorkingRoom room) {
        this.exchange = exchange;
        this.jobs = jobs;
        this.room = room;
    }

    /** Rows out of a spreadsheet; {@code parentId} null for the plant itself. */
    record Pasted(@Nullable UUID parentId, @LongText String text) {}

    /** The same rows, and what was shown of them. */
    record PastedForGood(@Nullable UUID parentId, @LongText String text, UUID changeId, String digest) {}

    @PostMapping("/paste/preview")
    Exchange.ImportPreview previewPaste(@RequestBody Pasted pasted) {
        return withRoom(
                TableBounds.room(pasted.text()),
                () -> exchange.preview(pasted.parentId(), Exchange.typed(pasted.text())));
    }

    @PostMapping("/paste")
    PlantLedger.Committed paste(@RequestBody PastedForGood pasted) {
        return taken(
                TableBounds.room(pasted.text()),
                pasted.parentId(),
                Exchange.typed(pasted.text()),
                pasted.changeId(),
                pasted.digest());
    }

    @PostMapping(value = "/import/preview", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Exchange.ImportPreview previewFile(@RequestParam MultipartFile file, @RequestParam(required = false) UUID parentId)
            throws IOException {
        byte[] bytes = bytes(file);
        return withRoom(
                TableBounds.room(bytes),
                () -> exchange.preview(parentId, exchange.file(new ByteArrayInputStream(bytes))));
    }

    @PostMapping(value = "/import", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    PlantLedger.Committed takeFile(
            @RequestParam MultipartFile file,
            @RequestParam(required = false) UUID parentId,
            @RequestParam UUID changeId,
            @RequestParam String digest)
            throws IOException {
        byte[] bytes = bytes(file);
        return taken(
                TableBounds.room(bytes), parentId, exchange.file(new ByteArrayInputStream(bytes)), changeId, digest);
    }

    /** Whoever waits for the answer may follow how far it is as the work of the change's id, and stop it. */
    private PlantLedger.Committed taken(
            long bytes, @Nullable UUID parentId, Exchange.Source source, UUID changeId, String digest) {
        return withRoom(
                bytes,
                () -> jobs.accompany(
                        changeId,
                        "import",
                        Sentence.of("plant.jobImporting"),
                        progress -> exchange.take(parentId, source, changeId, digest, progress),
                        PlantLedger.Committed::sentence));
    }

    private static byte[] bytes(MultipartFile file) throws IOException {
        try (InputStream in = file.getInputStream()) {
            return in.readNBytes(TableBounds.MOST_BYTES + 1);
        }
    }

    /** Room is taken before a transaction begins: whoever waits for it holds no connection. */
    private <T> T withRoom(long bytes, Supplier<T> work) {
        try (WorkingRoom.Taken taken = room.take(bytes)) {
            return work.get();
        }
    }

    @GetMapping("/export")
    void export(@RequestParam(required = false) UUID node, @RequestParam String format, HttpServletResponse response)
            throws IOException {
        Exchange.Export export = exchange.export(node, format);
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + export.fileName() + "\"");
        response.setContentType(export.mediaType());
        export.writing().to(response.getOutputStream());
    }
}
