package rovek.server.intake.tableimport;

import java.io.IOException;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import rovek.server.rounds.visit.VisitIntake;

@RestController
@RequestMapping(path = "/api/foreign-tables", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
class ForeignTableController {

    private final ForeignTables tables;

    ForeignTableController(ForeignTables tables) {
        this.tables = tables;
    }

    @PostMapping("/look")
    ForeignTables.ForeignLook look(@RequestParam MultipartFile file) throws IOException {
        return tables.look(file.getBytes());
    }

    @PostMapping("/preview")
    ForeignTables.ForeignPreview preview(@RequestPart MultipartFile file, @RequestPart ForeignDraft draft)
            throws IOException {
        return tables.preview(file.getBytes(), draft);
    }

    @PostMapping
    VisitIntake.Outcome take(@RequestPart MultipartFile file, @RequestPart ForeignDraft draft) throws IOException {
        return tables.take(file.getOriginalFilename(), file.getBytes(), draft);
    }
}
