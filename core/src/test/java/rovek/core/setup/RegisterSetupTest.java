package rovek.core.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import rovek.core.live.NoValue;
import rovek.core.live.Register;

/** A map of registers: what is asked for, what is wrong with it, and what it comes to. */
class RegisterSetupTest {

    private final RegisterSetup form = new RegisterSetup();

    private static SetupContent content(Map<String, String> values, List<Map<String, String>> rows) {
        Map<String, String> all = new HashMap<>(Map.of("host", "10.0.0.4"));
        all.putAll(values);
        return new SetupContent(all, rows);
    }

    private List<String> faults(SetupContent content) {
        return form.faults(content).stream()
                .map(fault -> fault.field() + ": " + fault.reason())
                .toList();
    }

    @Test
    void whatIsNotSaidIsAsMostDevicesHaveIt() {
        SetupContent content =
                form.completed(content(Map.of(), List.of(Map.of("name", "Pressure", "quantityUnit", "bar"))));
        assertThat(faults(content)).isEmpty();
        assertThat(RegisterSetup.device(content)).isEqualTo(new RegisterSetup.Device("10.0.0.4", 502, 1));
        assertThat(RegisterSetup.registers(content))
                .containsExactly(new Register(
                        "Pressure",
                        "bar",
                        Register.Table.HOLDING,
                        0,
                        Register.Form.FLOAT32,
                        Register.Order.ABCD,
                        0,
                        Optional.empty(),
                        1,
                        0));
        assertThat(form.needs(content).sentence()).hasToString("setup.readLive {channels=1, host=10.0.0.4, port=502}");
        assertThat(form.isLoaded()).isFalse();
    }

    @Test
    void aSingleRegisterHasNoWordOrderAndIsScaled() {
        SetupContent content = form.completed(content(
                Map.of("unit", "7"),
                List.of(Map.of(
                        "name",
                        "Temperature",
                        "table",
                        "input register",
                        "address",
                        "2",
                        "form",
                        "16-bit signed",
                        "words",
                        "low word first",
                        "scale",
                        "0.1",
                        "offset",
                        "-40"))));
        assertThat(content.rows().get(0)).doesNotContainKey("words");
        assertThat(RegisterSetup.registers(content))
                .containsExactly(new Register(
                        "Temperature",
                        "",
                        Register.Table.INPUT,
                        2,
                        Register.Form.INT16,
                        Register.Order.ABCD,
                        0,
                        Optional.empty(),
                        0.1,
                        -40));
        assertThat(RegisterSetup.device(content).unit()).isEqualTo(7);
    }

    @Test
    void everythingThatIsWrongIsSaidAtOnceByField() {
        assertThat(faults(content(
                        Map.of("host", " ", "port", "502.5"),
                        List.of(
                                Map.of("name", "A", "address", "65535"),
                                Map.of("name", "a", "address", "1.5", "form", "16-bit unsigned"),
                                Map.of("scale", "0")))))
                .containsExactlyInAnyOrder(
                        "rows.1.name: setup.channelTwice {name=a}",
                        "rows.2.name: setup.noChannelName {row=3}",
                        "host: setup.noHost",
                        "port: setup.wholeNumber {name=Port}",
                        "rows.0.address: setup.noRegister {row=1, table=holding register}",
                        "rows.1.address: setup.noRegister {row=2, table=holding register}",
                        "rows.2.scale: setup.scaleZero {row=3}");
        assertThat(faults(content(Map.of("port", "0"), List.of()))).hasSize(2);
        assertThat(faults(content(Map.of(), List.of(Map.of("name", "A", "form", "80-bit float")))))
                .singleElement()
                .asString()
                .startsWith("rows.0.form");
    }

    @Test
    void everythingThatDataSheetsSayCanBeSaid() {
        SetupContent content = content(
                Map.of("numbering", "as in data sheets, 40001"),
                List.of(
                        Map.of(
                                "name",
                                "Total",
                                "address",
                                "40107",
                                "form",
                                "64-bit float (IEEE 754)",
                                "words",
                                "low word first",
                                "bytes",
                                "low byte first",
                                "noValue",
                                "-1"),
                        Map.of(
                                "name",
                                "Alarm",
                                "address",
                                "30003",
                                "table",
                                "input register",
                                "form",
                                "one bit of a status word",
                                "bit",
                                "5"),
                        Map.of("name", "Runs", "address", "17", "table", "coil", "form", "64-bit signed"),
                        Map.of("name", "Door", "address", "10001", "table", "discrete input")));
        assertThat(faults(content)).isEmpty();
        assertThat(RegisterSetup.registers(content))
                .containsExactly(
                        new Register(
                                "Total",
                                "",
                                Register.Table.HOLDING,
                                106,
                                Register.Form.FLOAT64,
                                Register.Order.DCBA,
                                0,
                                NoValue.parse("-1"),
                                1,
                                0),
                        new Register(
                                "Alarm",
                                "",
                                Register.Table.INPUT,
                                2,
                                Register.Form.BIT,
                                Register.Order.ABCD,
                                5,
                                Optional.empty(),
                                1,
                                0),
                        new Register(
                                "Runs",
                                "",
                                Register.Table.COIL,
                                16,
                                Register.Form.BIT,
                                Register.Order.ABCD,
                                0,
                                Optional.empty(),
                                1,
                                0),
                        new Register(
                                "Door",
                                "",
                                Register.Table.DISCRETE,
                                0,
                                Register.Form.BIT,
                                Register.Order.ABCD,
                                0,
                                Optional.empty(),
                                1,
                                0));
    }

    @Test
    void aNumberThatItsTableDoesNotHaveIsSaid() {
        assertThat(faults(content(
                        Map.of("numbering", "as in data sheets, 40001"),
                        List.of(
                                Map.of("name", "A", "address", "30001"),
                                        Map.of("name", "B", "address", "465534", "form", "64-bit signed"),
                                Map.of("name", "C", "address", "40001", "noValue", "none"),
                                        Map.of(
                                                "name",
                                                "D",
                                                "address",
                                                "40001",
                                                "form",
                                                "one bit of a status word",
                                                "bit",
                                                "1.5")))))
                .containsExactly(
                        "rows.0.address: setup.noRegister {row=1, table=holding register}",
                                "rows.1.address: setup.noRegister {row=2, table=holding register}",
                        "rows.2.noValue: setup.noValueForm {row=3}", "rows.3.bit: setup.wholeBit {row=4}");
    }

    @Test
    void thereAreThirtyTwoChannelsAtMost() {
        List<Map<String, String>> rows = IntStream.range(0, 33)
                .mapToObj(i -> Map.of("name", "C" + i, "address", "" + 2 * i))
                .toList();
        assertThat(faults(content(Map.of(), rows.subList(0, 32)))).isEmpty();
        assertThat(faults(content(Map.of(), rows))).containsExactly("rows: setup.rows {most=32, row=Channel}");
    }
}
