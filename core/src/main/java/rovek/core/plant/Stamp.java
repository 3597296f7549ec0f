package rovek.core.plant;

import java.util.UUID;

/**
 * Where a stamped node comes from.
 *
 * @param template the template
 * @param revision which one of it, from 1
 * @param key the part of the template; {@link #ROOT} for the asset itself
 */
public record Stamp(UUID template, int revision, String key) {

    /** The key of a template's outermost part. */
    public static final String ROOT = "0";

    public boolean isRoot() {
        return key.equals(ROOT);
    }

    @Override
    public String toString() {
        return template + ":" + revision + ":" + key;
    }

    /** @throws IllegalArgumentException for anything {@link #toString()} does not yield */
    public static Stamp parse(String text) {
        String[] parts = text.split(":", 3);
        if (parts.length != 3) {
            throw new IllegalArgumentException("\"%s\" does not say which template.".formatted(text));
        }
        return new Stamp(UUID.fromString(parts[0]), Integer.parseInt(parts[1]), parts[2]);
    }
}
