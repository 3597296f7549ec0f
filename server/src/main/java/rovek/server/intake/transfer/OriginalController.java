package rovek.server.intake.transfer;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import rovek.server.base.job.JobView;
import rovek.server.judging.original.Spool;

@RestController
@RequestMapping("/api/originals")
class OriginalController {

    private final PackageFiles files;

    OriginalController(PackageFiles files) {
        this.files = files;
    }

    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.ACCEPTED)
    JobView take(@RequestParam MultipartFile file) throws IOException {
        return files.take(file.getOriginalFilename(), file.getInputStream());
    }

    @PostMapping("/{id}/take")
    @ResponseStatus(HttpStatus.ACCEPTED)
    JobView takeAgain(@PathVariable UUID id) {
        return files.takeAgain(id);
    }

    @GetMapping(value = "/{id}/file", produces = "application/zip")
    void file(@PathVariable UUID id, HttpServletResponse response) throws IOException {
        PackageFiles.Download download = files.download(id);
        try (Spool file = download.file()) {
            response.setHeader(
                    HttpHeaders.CONTENT_DISPOSITION,
                    ContentDisposition.attachment()
                            .filename(download.name())
                            .build()
                            .toString());
            response.setHeader("X-Content-SHA256", file.sha256());
            response.setContentType("application/zip");
            response.setContentLengthLong(file.size());
            Files.copy(file.path(), response.getOutputStream());
        }
    }
}
