package rovek.core.setup;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Set;
import rovek.core.entry.Entry;
import rovek.core.live.Register;
import rovek.core.technique.SettingDefinition;

/** Where a Modbus TCP device answers, and which of its registers hold what. Nothing is loaded: Rovek itself reads by it. */
public final class RegisterSetup implements SetupForm {

    /** As it is stored. */
    public static final String ID = "registers";

    private static final int MOST_CHANNELS = 16;
    private static final int LAST_ADDRESS = 65_535;
    private static final String HOLDING = "holding register";
    private static final String LOW_FIRST = "low word first";

    private static final List<SetupField> FIELDS = List.of(
            SetupField.always(new SettingDefinition("host", "Address", "", "", new Entry.Text(120))),
            SetupField.always(new SettingDefinition("port", "Port", "", "502", new Entry.Number(1, 65_535))),
            SetupField.always(new SettingDefinition("unit", "Unit", "", "1", new Entry.Number(0, 255))));

    private static final List<SetupField> CHANNEL_FIELDS = List.of(
            SetupField.always(new SettingDefinition("name", "Name", "", "", new Entry.Text(40))),
            SetupField.always(new SettingDefinition("quantityUnit", "In", "", "", new Entry.Text(12))),
            SetupField.always(new SettingDefinition("table", "Lies in", "", HOLDING, new Entry.Choice(List.of(HOLDING, "input register")))),
            SetupField.always(new SettingDefinition("address", "Address from 0", "", "0", new Entry.Number(0, LAST_ADDRESS))),
            SetupField.always(new SettingDefinition("form", "Laid down as", "", Register.Form.FLOAT32.word(), new Entry.Choice(
                    Arrays.stream(Register.Form.values()).map(Register.Form::word).toList()))),
            new SetupField(
                    new SettingDefinition("words", "Word order", "", "high word first", new Entry.Choice(List.of("high word first", LOW_FIRST))), "form",
                    Set.of(Register.Form.INT32.word(), Register.Form.UINT32.word(), Register.Form.FLOAT32.word())),
            SetupField.always(new SettingDefinition("scale", "Times", "", "1", new Entry.Number(-1e9, 1e9))),
            SetupField.always(new SettingDefinition("offset", "Plus", "", "0", new Entry.Number(-1e9, 1e9))));

    /** Where the device answers. */
    public record Device(String host, int port, int unit) {}

    /** @param content without faults */
    public static Device device(SetupContent content) {
        return new Device(content.values().get("host"), whole(content.values().get("port")), whole(content.values().get("unit")));
    }

    /** @param content without faults */
    public static List<Register> registers(SetupContent content) {
        return content.rows().stream()
                .map(row -> new Register(
                        row.get("name"), row.get("quantityUnit"), row.get("table").equals(HOLDING), whole(row.get("address")), Register.Form.of(row.get("form")),
                        LOW_FIRST.equals(row.get("words")), Double.parseDouble(row.get("scale")), Double.parseDouble(row.get("offset"))))
                .toList();
    }

    private static int whole(String text) {
        return (int) Double.parseDouble(text);
    }

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String name() {
        return "Modbus transmitter";
    }

    @Override
    public List<SetupField> fields() {
        return FIELDS;
    }

    @Override
    public String rowName() {
        return "Channel";
    }

    @Override
    public List<SetupField> rowFields() {
        return CHANNEL_FIELDS;
    }

    @Override
    public int mostRows() {
        return MOST_CHANNELS;
    }

    @Override
    public List<SetupFault> contradictions(SetupContent content) {
        List<SetupFault> faults = new ArrayList<>(RowNames.faults(content));
        if (content.values().get("host").isBlank()) {
            faults.add(new SetupFault("host", "Say at which address the device answers."));
        }
        for (String key : List.of("port", "unit")) {
            if (Double.parseDouble(content.values().get(key)) % 1 != 0) {
                faults.add(new SetupFault(key, "A %s is a whole number.".formatted(key)));
            }
        }
        for (int i = 0; i < content.rows().size(); i++) {
            Map<String, String> row = content.rows().get(i);
            double address = Double.parseDouble(row.get("address"));
            if (address % 1 != 0 || address + Register.Form.of(row.get("form")).registers() - 1 > LAST_ADDRESS) {
                faults.add(new SetupFault("rows.%d.address".formatted(i), "Channel %d: there is no such register.".formatted(i + 1)));
            }
            if (Double.parseDouble(row.get("scale")) == 0) {
                faults.add(new SetupFault("rows.%d.scale".formatted(i), "Channel %d: times 0 everything is nothing.".formatted(i + 1)));
            }
        }
        return faults;
    }

    @Override
    public SetupNeeds needs(SetupContent given) {
        SetupContent content = completed(given);
        int channels = content.rows().size();
        return new SetupNeeds(ID, OptionalLong.empty(), "%d %s read live from %s port %s".formatted(
                channels, channels == 1 ? "channel" : "channels", content.values().get("host"), content.values().get("port")));
    }

    @Override
    public boolean isLoaded() {
        return false;
    }
}
