package rovek.server.judging.reading;

import java.util.ArrayList;
import java.util.List;
import rovek.core.reading.Capture;
import rovek.core.reading.PictureCapture;
import rovek.core.reading.TableCapture;
import rovek.core.reading.TextCapture;
import rovek.core.reading.ValueCapture;
import rovek.core.reading.WaveformCapture;

/**
 * A capture as it can be looked at without knowing its technique.
 *
 * @param kind {@code waveform}, {@code table}, {@code picture}, {@code text} or {@code value}
 * @param headings of a table, with their units
 * @param rows of a table, or the lines of a text as rows of one cell
 * @param allRows how many rows there are, shown or not
 * @param markers of a run, "12.5 s door opened"
 * @param isRun whether its rows are samples over time, better drawn than listed
 * @param photos how many photos were taken along
 */
public record CaptureView(
        String kind,
        List<String> headings,
        List<List<String>> rows,
        int allRows,
        List<String> markers,
        boolean isRun,
        int photos) {

    private static final int MOST_ROWS = 500;

    static CaptureView of(Capture capture, int photos) {
        if (capture instanceof TableCapture table) {
            List<List<String>> rows = new ArrayList<>();
            for (int row = 0; row < Math.min(MOST_ROWS, table.rows()); row++) {
                int at = row;
                rows.add(
                        table.columns().stream().map(column -> cell(column, at)).toList());
            }
            return new CaptureView(
                    "table",
                    table.columns().stream().map(CaptureView::heading).toList(),
                    rows,
                    table.rows(),
                    table.markers().stream()
                            .map(marker -> "%s s %s".formatted(plain(marker.atSeconds()), marker.text()))
                            .toList(),
                    table.time().isPresent(),
                    photos);
        }
        if (capture instanceof TextCapture text) {
            List<List<String>> rows =
                    text.lines().stream().limit(MOST_ROWS).map(List::of).toList();
            return new CaptureView("text", List.of(), rows, text.lines().size(), List.of(), false, photos);
        }
        if (capture instanceof ValueCapture value) {
            String said =
                    plain(value.value().value()) + " " + value.value().unit().symbol();
            return new CaptureView("value", List.of(), List.of(List.of(said)), 1, List.of(), false, photos);
        }
        if (capture instanceof PictureCapture) {
            return new CaptureView("picture", List.of(), List.of(), 0, List.of(), false, photos);
        }
        return new CaptureView(
                "waveform",
                List.of(),
                List.of(),
                ((WaveformCapture) capture).samples().length,
                List.of(),
                false,
                photos);
    }

    private static String heading(TableCapture.Column column) {
        return column instanceof TableCapture.Numbers numbers && !numbers.unit().isBlank()
                ? "%s, %s".formatted(numbers.name(), numbers.unit())
                : column.name();
    }

    private static String cell(TableCapture.Column column, int row) {
        if (column instanceof TableCapture.Numbers numbers) {
            return Double.isNaN(numbers.values()[row]) ? "" : plain(numbers.values()[row]);
        }
        return ((TableCapture.Words) column).values().get(row);
    }

    private static String plain(double number) {
        return number == Math.rint(number) && Math.abs(number) < 1e15
                ? String.valueOf((long) number)
                : String.valueOf(number);
    }
}
