package rovek.core.live;

import java.math.BigInteger;
import java.util.Optional;

/**
 * A quantity in the tables of a Modbus device, after the MODBUS Application Protocol Specification V1.1b3: registers of
 * 16 bits, and coils and discrete inputs of one.
 *
 * @param address from 0, as it goes over the wire
 * @param form how the number is laid down; of no meaning in a table of bits
 * @param bit of the first register, from 0 for the least significant; of no meaning but for {@link Form#BIT}
 * @param noValue what the device says where it has nothing to say; empty where it always has
 * @param scale what the number is multiplied by, before {@code offset} is added
 */
public record Register(
        String name,
        String unit,
        Table table,
        int address,
        Form form,
        Order order,
        int bit,
        Optional<NoValue> noValue,
        double scale,
        double offset) {

    /** Which of a device's tables. */
    public enum Table implements Worded {
        HOLDING("holding register", 3, 4),
        INPUT("input register", 4, 3),
        COIL("coil", 1, 0),
        DISCRETE("discrete input", 2, 1);

        private final String word;
        private final int function;
        private final int sheetDigit;

        Table(String word, int function, int sheetDigit) {
            this.word = word;
            this.function = function;
            this.sheetDigit = sheetDigit;
        }

        @Override
        public String word() {
            return word;
        }

        /** The function code that reads it. */
        public int function() {
            return function;
        }

        /** The digit that data sheets put before its numbers: 4 in 40001. */
        public int sheetDigit() {
            return sheetDigit;
        }

        public boolean isOfBits() {
            return this == COIL || this == DISCRETE;
        }
    }

    /** How a number is laid down. */
    public enum Form implements Worded {
        INT16("16-bit signed", 1),
        UINT16("16-bit unsigned", 1),
        INT32("32-bit signed", 2),
        UINT32("32-bit unsigned", 2),
        FLOAT32("32-bit float (IEEE 754)", 2),
        INT64("64-bit signed", 4),
        UINT64("64-bit unsigned", 4),
        FLOAT64("64-bit float (IEEE 754)", 4),
        BIT("one bit of a status word", 1);

        private final String word;
        private final int registers;

        Form(String word, int registers) {
            this.word = word;
            this.registers = registers;
        }

        @Override
        public String word() {
            return word;
        }

        public int registers() {
            return registers;
        }
    }

    /**
     * In which order a number's bytes come. With the letters of many data sheets, A for the most significant byte: ABCD
     * is neither, BADC low byte first, CDAB low word first, DCBA both.
     *
     * @param lowWordFirst whether the first register holds the least significant bits
     * @param lowByteFirst whether within a register the less significant byte comes first, against the specification
     */
    public record Order(boolean lowWordFirst, boolean lowByteFirst) {

        public static final Order ABCD = new Order(false, false);
        public static final Order BADC = new Order(false, true);
        public static final Order CDAB = new Order(true, false);
        public static final Order DCBA = new Order(true, true);

        /** The number's bits, the most significant first, from the right. */
        long bits(byte[] bytes) {
            long bits = 0;
            int words = bytes.length / 2;
            for (int i = 0; i < words; i++) {
                int at = 2 * (lowWordFirst ? words - 1 - i : i);
                int high = bytes[lowByteFirst ? at + 1 : at] & 0xFF;
                int low = bytes[lowByteFirst ? at : at + 1] & 0xFF;
                bits = bits << 16 | high << 8 | low;
            }
            return bits;
        }
    }

    /** How many bytes an answer has that holds it. */
    public int bytes() {
        return table.isOfBits() ? 1 : 2 * form.registers();
    }

    /**
     * The quantity's value.
     *
     * @param bytes of its registers, in the order they came; of a table of bits the byte whose lowest bit is it
     * @return NaN where a float is none, or the device has nothing to say; whole numbers beyond 2 to the 53rd to the
     *     nearest that a double holds
     */
    public double value(byte[] bytes) {
        if (bytes.length != bytes()) {
            throw new IllegalArgumentException("%s has %d bytes, not %d.".formatted(name, bytes(), bytes.length));
        }
        long bits = table.isOfBits() ? bytes[0] & 1 : order.bits(bytes);
        double raw = table.isOfBits() ? bits : number(bits);
        boolean isNone = !Double.isFinite(raw)
                || noValue.filter(mark -> mark.is(bits, raw)).isPresent();
        return isNone ? Double.NaN : raw * scale + offset;
    }

    private double number(long bits) {
        return switch (form) {
            case INT16 -> (short) bits;
            case UINT16, UINT32 -> bits;
            case INT32 -> (int) bits;
            case FLOAT32 -> Float.intBitsToFloat((int) bits);
            case INT64 -> bits;
            case UINT64 -> bits >= 0 ? bits : new BigInteger(Long.toUnsignedString(bits)).doubleValue();
            case FLOAT64 -> Double.longBitsToDouble(bits);
            case BIT -> bits >> bit & 1;
        };
    }
}
