package rovek.core.reading;

import java.util.List;

/** Lines of text as a controller gave them, e.g. its fault codes. */
public record TextCapture(List<String> lines) implements Capture {

    public TextCapture {
        lines = List.copyOf(lines);
    }
}
