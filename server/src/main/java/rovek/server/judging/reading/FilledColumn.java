package rovek.server.judging.reading;

import java.util.Optional;
import rovek.core.entry.Entry;
import rovek.core.wording.Sentence;

/** What a technician knows and the instrument does not, filled in once for many readings. */
public enum FilledColumn {
    PRESSURE("Pressure", "bar", new Entry.Number(-1, 1_000)),
    DISTANCE("Distance", "m", new Entry.Number(0, 1_000)),
    INSPECTOR("Inspector", "", new Entry.Text(80)),
    REMARK("Remark", "", new Entry.Text(400));

    private final String title;
    private final String unit;
    private final Entry kind;

    FilledColumn(String title, String unit, Entry kind) {
        this.title = title;
        this.unit = unit;
        this.kind = kind;
    }

    /** Why a value is refused; empty where it is fine, also where it is blank and takes what was there away. */
    public Optional<Sentence> fault(String value) {
        return value.isBlank() ? Optional.empty() : kind.fault(called(), unit, value);
    }

    public Sentence called() {
        return Entry.option(title);
    }

    public String title() {
        return title;
    }
}
