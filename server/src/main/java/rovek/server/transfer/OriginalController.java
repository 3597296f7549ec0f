package rovek.server.transfer;

import java.io.IOException;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import rovek.server.job.JobView;

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
        return files.take(file.getOriginalFilename(), file.getBytes());
    }

    @PostMapping("/{id}/take")
    @ResponseStatus(HttpStatus.ACCEPTED)
    JobView takeAgain(@PathVariable UUID id) {
        return files.takeAgain(id);
    }

    @GetMapping("/{id}/file")
    ResponseEntity<byte[]> file(@PathVariable UUID id) {
        PackageFiles.Download download = files.download(id);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(download.name()).build().toString())
                .header("X-Content-SHA256", download.sha256())
                .contentType(MediaType.valueOf("application/zip"))
                .body(download.bytes());
    }
}
