package rovek.server.judging.reading;

import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;

/**
 * Rows as PostgreSQL's {@code COPY ... (FORMAT binary)} reads them (its manual, "COPY", "Binary Format"): many at once,
 * without a statement for each.
 */
final class BinaryRows {

    private static final byte[] SIGNATURE = {'P', 'G', 'C', 'O', 'P', 'Y', '\n', (byte) 0xFF, '\r', '\n', 0};
    /** Its timestamps count from here. */
    private static final Instant EPOCH = Instant.parse("2000-01-01T00:00:00Z");

    private static final long EPOCH_DAY = LocalDate.of(2000, 1, 1).toEpochDay();

    private static final long MICROS_A_SECOND = 1_000_000;
    private static final int NANOS_A_MICRO = 1_000;

    private final ByteArrayOutputStream bytes = new ByteArrayOutputStream(1 << 16);
    private final DataOutputStream out = new DataOutputStream(bytes);
    private final int columns;

    BinaryRows(int columns) {
        this.columns = columns;
        write(() -> {
            out.write(SIGNATURE);
            out.writeInt(0);
            out.writeInt(0);
        });
    }

    private interface Writing {
        void run() throws IOException;
    }

    private static void write(Writing writing) {
        try {
            writing.run();
        } catch (IOException e) {
            throw new UncheckedIOException("Memory does not fail.", e);
        }
    }

    /** Begins a row; as many values as there are columns follow. */
    BinaryRows row() {
        write(() -> out.writeShort(columns));
        return this;
    }

    private BinaryRows nothing() {
        write(() -> out.writeInt(-1));
        return this;
    }

    BinaryRows uuid(UUID value) {
        if (value == null) {
            return nothing();
        }
        write(() -> {
            out.writeInt(2 * Long.BYTES);
            out.writeLong(value.getMostSignificantBits());
            out.writeLong(value.getLeastSignificantBits());
        });
        return this;
    }

    BinaryRows text(String value) {
        return value == null ? nothing() : bytes(value.getBytes(StandardCharsets.UTF_8));
    }

    BinaryRows bytes(byte[] value) {
        write(() -> {
            out.writeInt(value.length);
            out.write(value);
        });
        return this;
    }

    BinaryRows time(Instant value) {
        write(() -> {
            out.writeInt(Long.BYTES);
            // Not by the clock's own difference, which is in nanoseconds and ends with the year 2262.
            out.writeLong(Math.addExact(
                    Math.multiplyExact(value.getEpochSecond() - EPOCH.getEpochSecond(), MICROS_A_SECOND),
                    value.getNano() / NANOS_A_MICRO));
        });
        return this;
    }

    BinaryRows date(LocalDate value) {
        if (value == null) {
            return nothing();
        }
        write(() -> {
            out.writeInt(Integer.BYTES);
            out.writeInt(Math.toIntExact(value.toEpochDay() - EPOCH_DAY));
        });
        return this;
    }

    BinaryRows number(Double value) {
        if (value == null) {
            return nothing();
        }
        write(() -> {
            out.writeInt(Double.BYTES);
            out.writeDouble(value);
        });
        return this;
    }

    BinaryRows whole(int value) {
        write(() -> {
            out.writeInt(Integer.BYTES);
            out.writeInt(value);
        });
        return this;
    }

    BinaryRows small(int value) {
        write(() -> {
            out.writeInt(Short.BYTES);
            out.writeShort(value);
        });
        return this;
    }

    BinaryRows truth(boolean value) {
        write(() -> {
            out.writeInt(1);
            out.writeByte(value ? 1 : 0);
        });
        return this;
    }

    /** What has been written so far, ended or not; nothing is kept. */
    byte[] drain() {
        byte[] drained = bytes.toByteArray();
        bytes.reset();
        return drained;
    }

    int size() {
        return bytes.size();
    }

    /** The rest with the mark of the end. */
    byte[] end() {
        write(() -> out.writeShort(-1));
        return drain();
    }
}
