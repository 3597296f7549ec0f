package rovek.core.live;

/**
 * A quantity in the registers of a Modbus device, after the MODBUS Application Protocol Specification V1.1b3: registers of 16
 * bits, the high byte first.
 *
 * @param isHolding whether it is a holding register; else an input register
 * @param address from 0, as it goes over the wire
 * @param lowWordFirst whether of two registers the first is the lower one
 * @param scale what the number in the registers is multiplied by, before {@code offset} is added
 */
public record Register(String name, String unit, boolean isHolding, int address, Form form, boolean lowWordFirst, double scale, double offset) {

    /** How a number is laid down. */
    public enum Form {
        INT16("16-bit signed", 1),
        UINT16("16-bit unsigned", 1),
        INT32("32-bit signed", 2),
        UINT32("32-bit unsigned", 2),
        FLOAT32("32-bit float (IEEE 754)", 2);

        private final String word;
        private final int registers;

        Form(String word, int registers) {
            this.word = word;
            this.registers = registers;
        }

        public String word() {
            return word;
        }

        public int registers() {
            return registers;
        }

        /** @throws IllegalArgumentException for a word that is none */
        public static Form of(String word) {
            for (Form form : values()) {
                if (form.word.equals(word)) {
                    return form;
                }
            }
            throw new IllegalArgumentException("No number is laid down as \"%s\".".formatted(word));
        }
    }

    /**
     * The quantity's value.
     *
     * @param bytes of its registers, in the order they came
     * @return NaN where a float is none
     */
    public double value(byte[] bytes) {
        if (bytes.length != 2 * form.registers()) {
            throw new IllegalArgumentException("%s has %d bytes, not %d.".formatted(name, 2 * form.registers(), bytes.length));
        }
        double raw = switch (form) {
            case INT16 -> (short) word(bytes, 0);
            case UINT16 -> word(bytes, 0);
            case INT32 -> both(bytes);
            case UINT32 -> both(bytes) & 0xFFFF_FFFFL;
            case FLOAT32 -> Float.intBitsToFloat(both(bytes));
        };
        return Double.isFinite(raw) ? raw * scale + offset : Double.NaN;
    }

    private int both(byte[] bytes) {
        int first = word(bytes, 0);
        int second = word(bytes, 1);
        return lowWordFirst ? second << 16 | first : first << 16 | second;
    }

    private static int word(byte[] bytes, int at) {
        return (bytes[2 * at] & 0xFF) << 8 | bytes[2 * at + 1] & 0xFF;
    }
}
