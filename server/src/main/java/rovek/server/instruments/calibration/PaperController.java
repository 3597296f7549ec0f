package rovek.server.instruments.calibration;

import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import rovek.server.instruments.calibration.CalibrationPapers.Of;
import rovek.server.instruments.calibration.CalibrationPapers.PaperLine;

@RestController
class PaperController {

    private final CalibrationPapers papers;

    PaperController(CalibrationPapers papers) {
        this.papers = papers;
    }

    @GetMapping("/api/instruments/{id}/papers")
    List<PaperLine> ofInstrument(@PathVariable UUID id) {
        return papers.list(Of.INSTRUMENT, id);
    }

    @PostMapping(path = "/api/instruments/{id}/papers", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    List<PaperLine> keepOfInstrument(@PathVariable UUID id, @RequestParam MultipartFile file) throws IOException {
        return papers.keep(Of.INSTRUMENT, id, String.valueOf(file.getOriginalFilename()), file.getBytes());
    }

    @GetMapping("/api/sensors/{id}/papers")
    List<PaperLine> ofSensor(@PathVariable UUID id) {
        return papers.list(Of.SENSOR, id);
    }

    @PostMapping(path = "/api/sensors/{id}/papers", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    List<PaperLine> keepOfSensor(@PathVariable UUID id, @RequestParam MultipartFile file) throws IOException {
        return papers.keep(Of.SENSOR, id, String.valueOf(file.getOriginalFilename()), file.getBytes());
    }

    @GetMapping("/api/papers/{id}/file")
    ResponseEntity<byte[]> file(@PathVariable UUID id) {
        CalibrationPapers.PaperFile file = papers.file(id);
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(file.name(), java.nio.charset.StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .header("X-Content-Type-Options", "nosniff")
                .contentType(MediaType.valueOf(file.mediaType()))
                .body(file.bytes());
    }
}
