package rovek.server.plant.picture;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api")
class PictureController {

    private final Pictures pictures;

    PictureController(Pictures pictures) {
        this.pictures = pictures;
    }

    @GetMapping("/nodes/{nodeId}/pictures")
    List<PictureView> of(@PathVariable UUID nodeId) {
        return pictures.of(nodeId);
    }

    @GetMapping("/nodes/{nodeId}/pictures/removed")
    List<PictureView> removedFrom(@PathVariable UUID nodeId) {
        return pictures.removedFrom(nodeId);
    }

    @PostMapping(value = "/nodes/{nodeId}/pictures", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    PictureView add(
            @PathVariable UUID nodeId,
            @RequestParam UUID id,
            @RequestParam(defaultValue = "") String title,
            @RequestParam MultipartFile file)
            throws IOException {
        return pictures.add(id, nodeId, title, file.getInputStream().readNBytes(PictureFile.MOST_BYTES + 1));
    }

    /** The points that are asked about. */
    record Points(List<UUID> pointIds) {}

    /** Point to the picture it is seen on; a point that is seen on none is left out. */
    record Shown(Map<UUID, UUID> pictures) {}

    @PostMapping("/pictures/showing")
    Shown showing(@RequestBody Points asked) {
        return new Shown(pictures.showing(asked.pointIds()));
    }

    @PutMapping("/pictures/{id}")
    PictureView change(@PathVariable UUID id, @RequestBody Pictures.PictureDraft draft) {
        return pictures.change(id, draft);
    }

    @DeleteMapping("/pictures/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        pictures.remove(id);
    }

    @PostMapping("/pictures/{id}/bring-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void bringBack(@PathVariable UUID id) {
        pictures.bringBack(id);
    }

    /** The image never changes: another picture has another id. */
    @GetMapping("/pictures/{id}/image")
    ResponseEntity<byte[]> image(@PathVariable UUID id) {
        Pictures.Image image = pictures.image(id);
        return ResponseEntity.ok()
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(30)).cachePrivate().immutable())
                .contentType(MediaType.parseMediaType(image.mediaType()))
                .eTag(image.sha256())
                .body(image.bytes());
    }
}
