package rovek.core.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rovek.core.live.Register.Form;
import rovek.core.live.Register.Order;
import rovek.core.live.Register.Table;

/** How registers, coils and discrete inputs hold quantities. */
class RegisterTest {

    private static Register register(
            Table table, Form form, Order order, int bit, String noValue, double scale, double offset) {
        return new Register("P", "bar", table, 0, form, order, bit, NoValue.parse(noValue), scale, offset);
    }

    private static Register register(Form form, Order order) {
        return register(Table.HOLDING, form, order, 0, "", 1, 0);
    }

    private static Order order(String letters) {
        return switch (letters) {
            case "ABCD" -> Order.ABCD;
            case "BADC" -> Order.BADC;
            case "CDAB" -> Order.CDAB;
            default -> Order.DCBA;
        };
    }

    /** Bytes by hand: 123456.789 is 47F12065 as a float (IEEE 754), -2.5 is C004 and zeros as a double. */
    @ParameterizedTest
    @CsvSource({
        "INT16, ABCD, FF38, -200",
        "INT16, BADC, 38FF, -200",
        "INT16, CDAB, FF38, -200",
        "INT16, DCBA, 38FF, -200",
        "UINT16, ABCD, FF38, 65336",
        "UINT16, BADC, 38FF, 65336",
        "UINT16, CDAB, FF38, 65336",
        "UINT16, DCBA, 38FF, 65336",
        "INT32, ABCD, FFFE1DC0, -123456",
        "INT32, BADC, FEFFC01D, -123456",
        "INT32, CDAB, 1DC0FFFE, -123456",
        "INT32, DCBA, C01DFEFF, -123456",
        "UINT32, ABCD, FFFE1DC0, 4294843840",
        "UINT32, BADC, FEFFC01D, 4294843840",
        "UINT32, CDAB, 1DC0FFFE, 4294843840",
        "UINT32, DCBA, C01DFEFF, 4294843840",
        "FLOAT32, ABCD, 47F12065, 123456.7890625",
        "FLOAT32, BADC, F1476520, 123456.7890625",
        "FLOAT32, CDAB, 206547F1, 123456.7890625",
        "FLOAT32, DCBA, 6520F147, 123456.7890625",
        "INT64, ABCD, 0102030405060708, 72623859790382856",
        "INT64, BADC, 0201040306050807, 72623859790382856",
        "INT64, CDAB, 0708050603040102, 72623859790382856",
        "INT64, DCBA, 0807060504030201, 72623859790382856",
        "INT64, ABCD, FFFFFFFFFFFFFFFE, -2",
        "UINT64, ABCD, FFFFFFFFFFFFF800, 18446744073709549568",
        "UINT64, DCBA, 00F8FFFFFFFFFFFF, 18446744073709549568",
        "UINT64, BADC, 0000000000000500, 5",
        "UINT64, CDAB, 0005000000000000, 5",
        "FLOAT64, ABCD, C004000000000000, -2.5",
        "FLOAT64, BADC, 04C0000000000000, -2.5",
        "FLOAT64, CDAB, 000000000000C004, -2.5",
        "FLOAT64, DCBA, 00000000000004C0, -2.5",
    })
    void everyFormInEveryOrder(Form form, String letters, String bytes, double value) {
        assertThat(register(form, order(letters)).value(HexFormat.of().parseHex(bytes)))
                .isEqualTo(value);
    }

    /** The JDK lays down the same numbers in its two byte orders, which are the first and the last of the four. */
    @Test
    void theTwoPlainOrdersAreThoseOfTheMachines() {
        Random random = new Random(502);
        for (int i = 0; i < 500; i++) {
            long whole = random.nextLong();
            double real = random.nextGaussian() * 1e9;
            for (ByteOrder order : List.of(ByteOrder.BIG_ENDIAN, ByteOrder.LITTLE_ENDIAN)) {
                Order letters = order == ByteOrder.BIG_ENDIAN ? Order.ABCD : Order.DCBA;
                assertThat(register(Form.INT64, letters)
                                .value(ByteBuffer.allocate(8)
                                        .order(order)
                                        .putLong(whole)
                                        .array()))
                        .isEqualTo(whole);
                assertThat(register(Form.FLOAT64, letters)
                                .value(ByteBuffer.allocate(8)
                                        .order(order)
                                        .putDouble(real)
                                        .array()))
                        .isEqualTo(real);
                assertThat(register(Form.INT32, letters)
                                .value(ByteBuffer.allocate(4)
                                        .order(order)
                                        .putInt((int) whole)
                                        .array()))
                        .isEqualTo((int) whole);
                assertThat(register(Form.FLOAT32, letters)
                                .value(ByteBuffer.allocate(4)
                                        .order(order)
                                        .putFloat((float) real)
                                        .array()))
                        .isEqualTo((float) real);
                assertThat(register(Form.UINT16, letters)
                                .value(ByteBuffer.allocate(2)
                                        .order(order)
                                        .putShort((short) whole)
                                        .array()))
                        .isEqualTo(whole & 0xFFFF);
            }
        }
    }

    @Test
    void aNumberIsScaledAndAFloatThatIsNoneIsNoValue() {
        assertThat(register(Table.INPUT, Form.INT16, Order.ABCD, 0, "", 0.1, 5).value(new byte[] {0, 30}))
                .isEqualTo(8);
        assertThat(register(Form.FLOAT32, Order.ABCD).value(HexFormat.of().parseHex("7FC00000")))
                .isNaN();
        assertThat(register(Form.FLOAT64, Order.DCBA).value(HexFormat.of().parseHex("000000000000F07F")))
                .as("infinite")
                .isNaN();
        assertThatThrownBy(() -> register(Form.FLOAT32, Order.ABCD).value(new byte[2]))
                .hasMessageContaining("has 4 bytes, not 2");
        assertThatThrownBy(() -> register(Form.UINT64, Order.ABCD).value(new byte[4]))
                .hasMessageContaining("has 8 bytes, not 4");
    }

    @ParameterizedTest
    @CsvSource({"8001, 0, 1", "8001, 1, 0", "8001, 15, 1", "7FFE, 15, 0", "7FFE, 0, 0", "7FFE, 7, 1"})
    void aStatusWordHasItsBits(String word, int bit, double value) {
        assertThat(register(Table.HOLDING, Form.BIT, Order.ABCD, bit, "", 1, 0)
                        .value(HexFormat.of().parseHex(word)))
                .isEqualTo(value);
        byte[] swapped = HexFormat.of().parseHex(word.substring(2) + word.substring(0, 2));
        assertThat(register(Table.HOLDING, Form.BIT, Order.BADC, bit, "", 1, 0).value(swapped))
                .isEqualTo(value);
    }

    @Test
    void coilsAndDiscreteInputsAreOneBitEach() {
        for (Table table : List.of(Table.COIL, Table.DISCRETE)) {
            Register one = register(table, Form.BIT, Order.ABCD, 0, "", 1, 0);
            assertThat(one.bytes()).isEqualTo(1);
            assertThat(one.value(new byte[] {1})).isEqualTo(1);
            assertThat(one.value(new byte[] {0})).isEqualTo(0);
            assertThat(one.value(new byte[] {(byte) 0xFE}))
                    .as("what pads the byte says nothing")
                    .isEqualTo(0);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "INT16, 8000, 0x8000, true",
        "INT16, 8000, -32768, true",
        "INT16, 8001, -32768, false",
        "UINT16, FFFF, 65535, true",
        "UINT16, FFFF, -1, false",
        "INT16, FFFF, 0xFFFF, true",
        "FLOAT32, C61C3F9A, -9999.9, true",
        "FLOAT32, C61C3F9B, -9999.9, false",
        "FLOAT32, 00000000, 0, true",
        "INT64, 8000000000000000, 0x8000000000000000, true",
        "UINT64, FFFFFFFFFFFFFFFF, 0xffffffffffffffff, true",
        "FLOAT64, C0C3880000000000, -1e4, true",
    })
    void theMarkOfNoValueIsAsItIsLaidDown(Form form, String bytes, String mark, boolean isNone) {
        double value = register(Table.HOLDING, form, Order.ABCD, 0, mark, 0.5, 7)
                .value(HexFormat.of().parseHex(bytes));
        assertThat(Double.isNaN(value)).isEqualTo(isNone);
    }

    @Test
    void aMarkIsANumberOrBits() {
        for (String none : List.of("", " ", "none", "0x", "0xG1", "0x12345678123456789", "NaN", "Infinity", "1,5")) {
            assertThat(NoValue.parse(none)).as(none).isEqualTo(Optional.empty());
        }
    }

    @ParameterizedTest
    @CsvSource({
        "FROM_0, HOLDING, 0, 0", "FROM_0, HOLDING, 65535, 65535", "FROM_0, HOLDING, 65536, -1", "FROM_1, INPUT, 1, 0",
                "FROM_1, INPUT, 0, -1", "FROM_1, COIL, 65536, 65535",
        "SHEET, HOLDING, 40001, 0", "SHEET, HOLDING, 49999, 9998", "SHEET, HOLDING, 40000, -1",
                "SHEET, HOLDING, 400001, 0", "SHEET, HOLDING, 465536, 65535", "SHEET, HOLDING, 465537, -1",
        "SHEET, HOLDING, 30001, -1", "SHEET, HOLDING, 1, -1", "SHEET, INPUT, 30108, 107", "SHEET, INPUT, 300108, 107",
                "SHEET, DISCRETE, 10001, 0", "SHEET, DISCRETE, 100001, 0",
        "SHEET, COIL, 1, 0", "SHEET, COIL, 9999, 9998", "SHEET, COIL, 0, -1",
    })
    void aDataSheetsNumberIsAnAddress(RegisterNumbering numbering, Table table, int number, int address) {
        assertThat(numbering.address(table, number))
                .isEqualTo(address < 0 ? OptionalInt.empty() : OptionalInt.of(address));
    }
}
