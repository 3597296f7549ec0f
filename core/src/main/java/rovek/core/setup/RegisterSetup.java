package rovek.core.setup;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import rovek.core.entry.Entry;
import rovek.core.live.NoValue;
import rovek.core.live.Register;
import rovek.core.live.RegisterNumbering;
import rovek.core.live.Worded;
import rovek.core.technique.SettingDefinition;
import rovek.core.wording.Sentence;

/**
 * Where a Modbus TCP device answers, and which of its registers hold what. Nothing is loaded: Rovek itself reads by it.
 */
public final class RegisterSetup implements SetupForm {

    /** As it is stored. */
    public static final String ID = "registers";

    private static final int MOST_CHANNELS = 32;
    private static final int LAST_ADDRESS = 65_535;
    private static final int LARGEST_NUMBER = 465_536;
    private static final String LOW_WORD_FIRST = "low word first";
    private static final String LOW_BYTE_FIRST = "low byte first";

    private static final List<SetupField> GENERAL_FIELDS = List.of(
            SetupField.always(new SettingDefinition("host", "Address", "", "", new Entry.Text(120))),
            SetupField.always(new SettingDefinition("port", "Port", "", "502", new Entry.Number(1, 65_535))),
            SetupField.always(new SettingDefinition("unit", "Unit", "", "1", new Entry.Number(0, 255))),
            SetupField.always(new SettingDefinition(
                    "numbering",
                    "Registers are",
                    "",
                    RegisterNumbering.FROM_0.word(),
                    new Entry.Choice(Worded.words(RegisterNumbering.class)))));

    private static final List<SetupField> CHANNEL_FIELDS = List.of(
            SetupField.always(new SettingDefinition("name", "Name", "", "", new Entry.Text(40))),
            SetupField.always(new SettingDefinition("quantityUnit", "In", "", "", new Entry.Text(12))),
            SetupField.always(new SettingDefinition(
                    "table",
                    "Lies in",
                    "",
                    Register.Table.HOLDING.word(),
                    new Entry.Choice(Worded.words(Register.Table.class)))),
            SetupField.always(new SettingDefinition("address", "Number", "", "0", new Entry.Number(0, LARGEST_NUMBER))),
            new SetupField(
                    new SettingDefinition(
                            "form",
                            "Laid down as",
                            "",
                            Register.Form.FLOAT32.word(),
                            new Entry.Choice(Worded.words(Register.Form.class))),
                    "table",
                    Set.of(Register.Table.HOLDING.word(), Register.Table.INPUT.word())),
            SetupField.when(
                    "form",
                    Register.Form.BIT.word(),
                    new SettingDefinition("bit", "Bit from 0", "", "0", new Entry.Number(0, 15))),
            new SetupField(
                    new SettingDefinition(
                            "words",
                            "Word order",
                            "",
                            "high word first",
                            new Entry.Choice(List.of("high word first", LOW_WORD_FIRST))),
                    "form",
                    forms(form -> form.registers() > 1)),
            new SetupField(
                    new SettingDefinition(
                            "bytes",
                            "Byte order",
                            "",
                            "high byte first",
                            new Entry.Choice(List.of("high byte first", LOW_BYTE_FIRST))),
                    "form",
                    forms(form -> true)),
            SetupField.always(new SettingDefinition("noValue", "No value is", "", "", new Entry.Text(24))),
            SetupField.always(new SettingDefinition("scale", "Times", "", "1", new Entry.Number(-1e9, 1e9))),
            SetupField.always(new SettingDefinition("offset", "Plus", "", "0", new Entry.Number(-1e9, 1e9))));

    private static Set<String> forms(Predicate<Register.Form> wanted) {
        return Arrays.stream(Register.Form.values())
                .filter(wanted)
                .map(Register.Form::word)
                .collect(Collectors.toSet());
    }

    /** Where the device answers. */
    public record Device(String host, int port, int unit) {}

    /** @param given without faults; what an earlier Rovek did not ask for may be missing */
    public static Device device(SetupContent given) {
        SetupContent content = new RegisterSetup().completed(given);
        return new Device(content.value("host"), whole(content.value("port")), whole(content.value("unit")));
    }

    /** @param given without faults; what an earlier Rovek did not ask for may be missing */
    public static List<Register> registers(SetupContent given) {
        SetupContent content = new RegisterSetup().completed(given);
        RegisterNumbering numbering = Worded.of(RegisterNumbering.class, content.value("numbering"));
        return content.rows().stream().map(row -> register(numbering, row)).toList();
    }

    private static Register register(RegisterNumbering numbering, Map<String, String> row) {
        Register.Table table = Worded.of(Register.Table.class, SetupContent.value(row, "table"));
        return new Register(
                SetupContent.value(row, "name"),
                SetupContent.value(row, "quantityUnit"),
                table,
                numbering
                        .address(table, whole(SetupContent.value(row, "address")))
                        .orElseThrow(),
                form(row),
                new Register.Order(LOW_WORD_FIRST.equals(row.get("words")), LOW_BYTE_FIRST.equals(row.get("bytes"))),
                whole(row.getOrDefault("bit", "0")),
                NoValue.parse(SetupContent.value(row, "noValue")),
                Double.parseDouble(SetupContent.value(row, "scale")),
                Double.parseDouble(SetupContent.value(row, "offset")));
    }

    /** A table of bits asks for none. */
    private static Register.Form form(Map<String, String> row) {
        return row.containsKey("form")
                ? Worded.of(Register.Form.class, SetupContent.value(row, "form"))
                : Register.Form.BIT;
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
        return GENERAL_FIELDS;
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
        if (content.value("host").isBlank()) {
            faults.add(new SetupFault("host", Sentence.of("setup.noHost")));
        }
        for (String key : List.of("port", "unit")) {
            if (Double.parseDouble(content.value(key)) % 1 != 0) {
                faults.add(new SetupFault(key, Sentence.of("setup.wholeNumber", "name", called(key))));
            }
        }
        RegisterNumbering numbering = Worded.of(RegisterNumbering.class, content.value("numbering"));
        for (int i = 0; i < content.rows().size(); i++) {
            rowFaults(numbering, content.rows().get(i), i, faults);
        }
        return faults;
    }

    private static Sentence called(String key) {
        return GENERAL_FIELDS.stream()
                .map(SetupField::definition)
                .filter(field -> field.key().equals(key))
                .map(field -> field.called(SetupForm.FIELDS))
                .findFirst()
                .orElseThrow();
    }

    private static void rowFaults(
            RegisterNumbering numbering, Map<String, String> row, int i, List<SetupFault> faults) {
        Register.Table table = Worded.of(Register.Table.class, SetupContent.value(row, "table"));
        double number = Double.parseDouble(SetupContent.value(row, "address"));
        int registers = table.isOfBits() ? 1 : form(row).registers();
        OptionalInt address = number % 1 == 0 ? numbering.address(table, (int) number) : OptionalInt.empty();
        if (address.isEmpty() || address.getAsInt() + registers - 1 > LAST_ADDRESS) {
            faults.add(new SetupFault(
                    "rows.%d.address".formatted(i),
                    Sentence.of("setup.noRegister", "row", i + 1, "table", Entry.option(table.word()))));
        }
        if (row.containsKey("bit") && Double.parseDouble(SetupContent.value(row, "bit")) % 1 != 0) {
            faults.add(new SetupFault("rows.%d.bit".formatted(i), Sentence.of("setup.wholeBit", "row", i + 1)));
        }
        if (!SetupContent.value(row, "noValue").isBlank()
                && NoValue.parse(SetupContent.value(row, "noValue")).isEmpty()) {
            faults.add(new SetupFault("rows.%d.noValue".formatted(i), Sentence.of("setup.noValueForm", "row", i + 1)));
        }
        if (Double.parseDouble(SetupContent.value(row, "scale")) == 0) {
            faults.add(new SetupFault("rows.%d.scale".formatted(i), Sentence.of("setup.scaleZero", "row", i + 1)));
        }
    }

    @Override
    public SetupNeeds needs(SetupContent given) {
        SetupContent content = completed(given);
        int channels = content.rows().size();
        return new SetupNeeds(
                ID,
                OptionalLong.empty(),
                Sentence.of(
                        "setup.readLive",
                        "channels",
                        channels,
                        "host",
                        content.value("host"),
                        "port",
                        content.value("port")));
    }

    @Override
    public boolean isLoaded() {
        return false;
    }
}
