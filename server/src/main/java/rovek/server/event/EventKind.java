package rovek.server.event;

/** What kind of thing happened. */
public enum EventKind {
    REPAIR,
    SENSOR,
    BASELINE,
    NOTE
}
