package rovek.core.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
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
        return form.faults(content).stream().map(fault -> fault.field() + ": " + fault.reason()).toList();
    }

    @Test
    void whatIsNotSaidIsAsMostDevicesHaveIt() {
        SetupContent content = form.completed(content(Map.of(), List.of(Map.of("name", "Pressure", "quantityUnit", "bar"))));
        assertThat(faults(content)).isEmpty();
        assertThat(RegisterSetup.device(content)).isEqualTo(new RegisterSetup.Device("10.0.0.4", 502, 1));
        assertThat(RegisterSetup.registers(content)).containsExactly(new Register("Pressure", "bar", true, 0, Register.Form.FLOAT32, false, 1, 0));
        assertThat(form.needs(content).sentence()).isEqualTo("1 channel read live from 10.0.0.4 port 502");
        assertThat(form.isLoaded()).isFalse();
    }

    @Test
    void aSingleRegisterHasNoWordOrderAndIsScaled() {
        SetupContent content = form.completed(content(Map.of("unit", "7"), List.of(Map.of(
                "name", "Temperature", "table", "input register", "address", "2", "form", "16-bit signed", "words", "low word first", "scale", "0.1", "offset", "-40"))));
        assertThat(content.rows().get(0)).doesNotContainKey("words");
        assertThat(RegisterSetup.registers(content)).containsExactly(new Register("Temperature", "", false, 2, Register.Form.INT16, false, 0.1, -40));
        assertThat(RegisterSetup.device(content).unit()).isEqualTo(7);
    }

    @Test
    void everythingThatIsWrongIsSaidAtOnceByField() {
        assertThat(faults(content(Map.of("host", " ", "port", "502.5"), List.of(
                        Map.of("name", "A", "address", "65535"), Map.of("name", "a", "address", "1.5", "form", "16-bit unsigned"), Map.of("scale", "0")))))
                .containsExactlyInAnyOrder(
                        "rows.1.name: There are two channels \"a\".", "rows.2.name: Channel 3 has no name.", "host: Say at which address the device answers.",
                        "port: A port is a whole number.", "rows.0.address: Channel 1: there is no such register.", "rows.1.address: Channel 2: there is no such register.",
                        "rows.2.scale: Channel 3: times 0 everything is nothing.");
        assertThat(faults(content(Map.of("port", "0"), List.of()))).hasSize(2);
        assertThat(faults(content(Map.of(), List.of(Map.of("name", "A", "form", "64-bit float"))))).singleElement().asString().startsWith("rows.0.form");
    }
}
