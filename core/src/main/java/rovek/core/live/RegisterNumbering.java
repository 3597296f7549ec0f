package rovek.core.live;

import java.util.OptionalInt;

/** How a data sheet numbers what lies in a device's tables. */
public enum RegisterNumbering implements Worded {
    /** As it goes over the wire. */
    FROM_0("counted from 0"),
    FROM_1("counted from 1"),
    /** With the table's digit before it, 40001 or 400001 for the first holding register. */
    SHEET("as in data sheets, 40001");

    private static final int LAST = 65_535;
    private static final int FIVE_DIGITS = 10_000;
    private static final int SIX_DIGITS = 100_000;

    private final String word;

    RegisterNumbering(String word) {
        this.word = word;
    }

    @Override
    public String word() {
        return word;
    }

    /**
     * Where it is on the wire.
     *
     * @param number as the data sheet says it
     * @return empty where that table has none of that number
     */
    public OptionalInt address(Register.Table table, int number) {
        int address = switch (this) {
            case FROM_0 -> number;
            case FROM_1 -> number - 1;
            case SHEET -> sheetAddress(table.sheetDigit(), number);
        };
        return address < 0 || address > LAST ? OptionalInt.empty() : OptionalInt.of(address);
    }

    private static int sheetAddress(int digit, int number) {
        // A coil's digit is 0, and numbers lose that.
        if (digit == 0) {
            return number - 1;
        }
        if (number / FIVE_DIGITS == digit) {
            return number % FIVE_DIGITS - 1;
        }
        return number / SIX_DIGITS == digit ? number % SIX_DIGITS - 1 : -1;
    }
}
