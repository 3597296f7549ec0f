package rovek.server.plant.event;

/** What kind of thing happened. */
public enum EventKind {
    REPAIR,
    SENSOR,
    BASELINE,
    NOTE
}
