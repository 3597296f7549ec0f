package rovek.server.judging.reading;

import java.time.Duration;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import rovek.core.reading.PictureCapture;

@RestController
@RequestMapping("/api/readings/{id}")
class ReadingController {

    private final ReadingDesk desk;

    ReadingController(ReadingDesk desk) {
        this.desk = desk;
    }

    /** What helps to say why; never a verdict. */
    @GetMapping("/insight")
    ReadingDesk.Insight insight(@PathVariable UUID id) {
        return desk.insight(id);
    }

    @GetMapping("/capture")
    CaptureView capture(@PathVariable UUID id) {
        return desk.captured(id);
    }

    @GetMapping("/picture")
    ResponseEntity<byte[]> picture(@PathVariable UUID id) {
        return answer(desk.picture(id));
    }

    @GetMapping("/photos/{number}")
    ResponseEntity<byte[]> photo(@PathVariable UUID id, @PathVariable int number) {
        return answer(desk.photo(id, number));
    }

    private static ResponseEntity<byte[]> answer(PictureCapture picture) {
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf(picture.mediaType()))
                .header("X-Content-Type-Options", "nosniff")
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable())
                .body(picture.bytes());
    }
}
