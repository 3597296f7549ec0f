package rovek.server.instruments.firmware;

import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import rovek.server.base.job.JobView;

@RestController
class FirmwareController {

    private final FirmwareShelf shelf;
    private final FirmwareUpdate update;
    private final MakersKeys keys;

    FirmwareController(FirmwareShelf shelf, FirmwareUpdate update, MakersKeys keys) {
        this.shelf = shelf;
        this.update = update;
        this.keys = keys;
    }

    record Install(UUID firmwareId) {}

    @GetMapping("/api/firmware")
    List<FirmwareShelf.FirmwareLine> list(@RequestParam String model) {
        return shelf.of(model);
    }

    @PostMapping(path = "/api/firmware", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    FirmwareShelf.FirmwareLine keep(@RequestParam MultipartFile file) throws IOException {
        return shelf.keep(file.getBytes());
    }

    @PostMapping("/api/firmware/{id}/confirm")
    FirmwareShelf.FirmwareLine confirm(@PathVariable UUID id) {
        return shelf.confirm(id);
    }

    @GetMapping("/api/makers-keys")
    MakersKeys.Keys keys() {
        return keys.now();
    }

    @PutMapping("/api/makers-keys")
    MakersKeys.Keys keys(@RequestBody MakersKeys.Keys wanted) {
        return keys.put(wanted);
    }

    @PostMapping("/api/instruments/{id}/firmware")
    @ResponseStatus(HttpStatus.ACCEPTED)
    JobView install(@PathVariable UUID id, @RequestBody Install wanted) {
        return update.start(id, wanted.firmwareId());
    }
}
